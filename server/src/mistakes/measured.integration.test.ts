/** Mistakes in measuring, routing, opening, specifying and making. */
import { playRows } from './playRows.ts';
import { BEFORE_FITTING } from './rows.ts';

playRows(BEFORE_FITTING);
