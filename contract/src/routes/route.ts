/** What a route is, and the shapes that many of them share. */
import { z } from 'zod';
import type { Address } from '../addresses.ts';

export interface Route extends Address {
  readonly summary: string;
  readonly params?: z.ZodObject;
  readonly query?: z.ZodObject;
  readonly body?: z.ZodType;
  /** The body is a file: as many bytes at most, and as long as that may take. */
  readonly takesFile?: { readonly most_bytes: number; readonly patience_ms: number };
  /** As JSON. */
  readonly reply?: z.ZodType;
  /** The answer is a file of one of these media types. */
  readonly files?: readonly string[];
}

/** A file as a route answers it. */
export interface FileReply {
  readonly mediaType: string;
  readonly content: string | Uint8Array;
  /** What it is called where it is kept; null: it is only shown. */
  readonly name: string | null;
  /** Shown in the page, not kept on the device. */
  readonly isShown?: boolean;
  /** Under its address there is never another one. */
  readonly isForGood?: boolean;
}

export const route = <const R extends Route>(definition: R): R => definition;

export const page = <Item extends z.ZodType>(item: Item) =>
  z.strictObject({ items: z.array(item), next: z.string().nullable() });
/** A page of a list: `after` is the `next` of the page before. */
export const PAGE = {
  after: z.string().max(1000).optional(),
  limit: z.coerce.number().int().min(1).max(100).default(30),
};
export const Search = z.string().normalize('NFC').trim().max(120).optional();
