/** Mistakes in fitting. */
import { playRows } from './playRows.ts';
import { FITTING } from './rows.ts';

playRows(FITTING);
