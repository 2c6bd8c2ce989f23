/** The typical form, made ready from its schema as it starts, and drawn. What it fetches is measured. */
import { DrawnForm, prepareForm } from '@poietra/react';
import { draw } from './draw.js';
import { begin } from './typical-begin.js';
import { schema } from './typical-schema.js';

void prepareForm({ schema }).then((booking) => draw(DrawnForm, booking, begin));
