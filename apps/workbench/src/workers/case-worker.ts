import { expose } from 'comlink';
import { caseCheck } from './case-check.js';

expose(caseCheck);
