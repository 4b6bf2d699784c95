/** What a wrench does on a hexagon. */
export type WrenchVerdict = 'fits' | 'doesNotGoOn' | 'rounds';
