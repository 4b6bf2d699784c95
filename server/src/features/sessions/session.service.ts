import type { Person, Session } from '@zephyrcombe/contract';
import { ownTimeZone } from '@zephyrcombe/contract';
import { hash, verify } from '@node-rs/argon2';
import type { Dependencies } from '../../dependencies.ts';
import { AppProblem } from '../../http/appProblem.ts';
import type { PersonRow } from '../shop/shop.model.ts';

/** Everybody on the demo data has this passphrase; it is shown on the sign-in page there and nowhere else. */
export const DEMO_PASSPHRASE = 'lamp oil and oilskins';

/** Argon2id with the library's defaults (OWASP's first recommendation). */
export const hashPassphrase = (passphrase: string): Promise<string> => hash(passphrase);

export function toPerson(row: PersonRow): Person {
  return { id: row.id, name: row.name, role: row.role, units: row.units, version: row.version };
}

export async function describeSession(
  { config, database }: Dependencies,
  personId: string | null,
): Promise<Session> {
  const { Shop, Person } = database.models;
  const shop = await Shop.findOne();
  const people = await Person.findAll({ order: [['name', 'ASC']] });
  const person = people.find((candidate) => candidate.id === personId) ?? null;
  return {
    shopName: shop?.name ?? '',
    timeZone: ownTimeZone(),
    person: person && toPerson(person),
    people: people.map(({ id, name, role }) => ({ id, name, role })),
    demoPassphrase: config.demo ? DEMO_PASSPHRASE : null,
  };
}

/** The person, when the passphrase is theirs. An unknown person and a wrong passphrase get the same answer. */
export async function checkPassphrase(
  { database }: Dependencies,
  personId: string,
  passphrase: string,
): Promise<Person> {
  const row = await database.models.Person.findByPk(personId);
  if (row === null || !(await verify(row.passphraseHash, passphrase)))
    throw new AppProblem('wrong-passphrase');
  return toPerson(row);
}

export async function requirePerson({ database }: Dependencies, personId: string): Promise<Person> {
  const row = await database.models.Person.findByPk(personId);
  if (row === null) throw new AppProblem('signed-out');
  return toPerson(row);
}
