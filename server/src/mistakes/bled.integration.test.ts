/** Mistakes in bleeding. */
import { playRows } from './playRows.ts';
import { BLEEDING } from './rows.ts';

playRows(BLEEDING);
