/** The route table: every request the API answers, with the shapes that cross the wire. */
import type { z } from 'zod';
import type { ADDRESSES } from './addresses.ts';
import { JOB_ROUTES } from './routes/jobs.ts';
import type { FileReply, Route } from './routes/route.ts';
import { SHOP_ROUTES } from './routes/shop.ts';
import { VEHICLE_ROUTES } from './routes/vehicles.ts';

export const ROUTES = { ...SHOP_ROUTES, ...JOB_ROUTES, ...VEHICLE_ROUTES } as const satisfies Record<
  keyof typeof ADDRESSES,
  Route
>;

export type RouteName = keyof typeof ROUTES;
type Part<R, Key extends string> = R extends Readonly<Record<Key, z.ZodType>> ? z.input<R[Key]> : undefined;
export type ParamsOf<Name extends RouteName> = Part<(typeof ROUTES)[Name], 'params'>;
export type QueryOf<Name extends RouteName> = Part<(typeof ROUTES)[Name], 'query'>;
export type BodyOf<Name extends RouteName> = Part<(typeof ROUTES)[Name], 'body'>;
/** Routes that answer with JSON, and those that answer with a file. */
export type JsonRouteName = {
  [Name in RouteName]: (typeof ROUTES)[Name] extends { readonly reply: z.ZodType } ? Name : never;
}[RouteName];
export type ReplyOf<Name extends JsonRouteName> = z.output<(typeof ROUTES)[Name]['reply']>;
/** What a handler answers. */
export type AnswerOf<Name extends RouteName> = Name extends JsonRouteName ? ReplyOf<Name> : FileReply;
