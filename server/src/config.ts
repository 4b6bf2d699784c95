/** Configuration from the environment, checked once at the start. */
import { z } from 'zod';

const ConfigSchema = z.object({
  host: z.string().default('127.0.0.1'),
  port: z.coerce.number().int().min(0).max(65535).default(4180),
  database: z.object({
    host: z.string().default('127.0.0.1'),
    port: z.coerce.number().int().min(1).max(65535).default(3306),
    name: z.string().default('zephyrcombe'),
    user: z.string().default('zephyrcombe'),
    password: z.string().default('zephyrcombe'),
    /** Where it keeps its files, if that is on this machine: its disk is watched. */
    folder: z.string().min(1).nullable().default(null),
  }),
  secret: z
    .string()
    .min(32, 'ZEPHYRCOMBE_SECRET must have 32 characters or more; it signs the sign-in cookie'),
  /** Wrong passphrases in a quarter of an hour at one name; ten times as many from one address. */
  signInTries: z.coerce.number().int().min(1).default(10),
  /** A sign-in ends after so long without a sign of life, and after so many days in any case. */
  idleHours: z.coerce.number().positive().max(720).default(12),
  signInDays: z.coerce.number().positive().max(90).default(14),
  /** Served behind TLS: the cookie is sent over nothing else. */
  secureCookie: z.stringbool().default(false),
  /** Addresses of reverse proxies whose word on address and protocol is taken, with commas; null where there is none. */
  trustProxy: z.string().min(1).nullable().default(null),
  demo: z.stringbool().default(false),
  /** Where the parts supplier answers; null when none is connected. */
  supplier: z.url().nullable().default(null),
  /** Where the label printer listens on this machine; null when none is connected. */
  labelPrinterPort: z.coerce.number().int().min(1).max(65535).nullable().default(null),
  /** Where a torque wrench that can be read listens on this machine; null when none is connected. */
  torqueWrenchPort: z.coerce.number().int().min(1).max(65535).nullable().default(null),
  webFolder: z.string().nullable().default(null),
});

export type Config = z.infer<typeof ConfigSchema>;
export type DatabaseConfig = Config['database'];

/** Reads ZEPHYRCOMBE_* variables. Throws with the variable's name when one is missing or wrong. */
export function readConfig(environment: Readonly<Record<string, string | undefined>>): Config {
  return ConfigSchema.parse({
    host: environment.ZEPHYRCOMBE_HOST,
    port: environment.ZEPHYRCOMBE_PORT,
    database: {
      host: environment.ZEPHYRCOMBE_DB_HOST,
      port: environment.ZEPHYRCOMBE_DB_PORT,
      name: environment.ZEPHYRCOMBE_DB_NAME,
      user: environment.ZEPHYRCOMBE_DB_USER,
      password: environment.ZEPHYRCOMBE_DB_PASSWORD,
      folder: environment.ZEPHYRCOMBE_DB_FOLDER,
    },
    secret: environment.ZEPHYRCOMBE_SECRET,
    signInTries: environment.ZEPHYRCOMBE_SIGN_IN_TRIES,
    idleHours: environment.ZEPHYRCOMBE_IDLE_HOURS,
    signInDays: environment.ZEPHYRCOMBE_SIGN_IN_DAYS,
    secureCookie: environment.ZEPHYRCOMBE_SECURE_COOKIE,
    trustProxy: environment.ZEPHYRCOMBE_TRUST_PROXY,
    demo: environment.ZEPHYRCOMBE_DEMO,
    supplier: environment.ZEPHYRCOMBE_SUPPLIER,
    labelPrinterPort: environment.ZEPHYRCOMBE_LABEL_PRINTER_PORT,
    torqueWrenchPort: environment.ZEPHYRCOMBE_TORQUE_WRENCH_PORT,
    webFolder: environment.ZEPHYRCOMBE_WEB_FOLDER,
  });
}
