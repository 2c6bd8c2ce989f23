import { expose } from 'comlink';
import { textCheck } from './text-check.js';

expose(textCheck);
