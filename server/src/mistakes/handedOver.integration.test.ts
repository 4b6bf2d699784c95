/** Mistakes in tightening, filling and handing over, and what is approved and known. */
import { playRows } from './playRows.ts';
import { AFTER_FITTING } from './rows.ts';

playRows(AFTER_FITTING);
