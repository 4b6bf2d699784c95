import type { Dependencies } from '../../dependencies.ts';
import { AppProblem } from '../../http/appProblem.ts';
import type { Handlers } from '../../http/handlers.ts';
import { endSession, requirePersonId, sessionPersonId, startSession } from '../../http/session.ts';
import { checkPassphrase, describeSession, requirePerson, toPerson } from './session.service.ts';

export function sessionHandlers(
  dependencies: Dependencies,
): Pick<Handlers, 'getSession' | 'signIn' | 'signOut' | 'setUnits'> {
  const { database, clock } = dependencies;
  return {
    getSession: ({ request }) => describeSession(dependencies, sessionPersonId(request, clock())),
    async signIn({ body, reply }) {
      const person = await checkPassphrase(dependencies, body.personId, body.passphrase);
      startSession(reply, person.id, clock());
      return describeSession(dependencies, person.id);
    },
    signOut({ reply }) {
      endSession(reply);
      return describeSession(dependencies, null);
    },
    async setUnits({ request, body }) {
      const person = await requirePerson(dependencies, requirePersonId(request, clock()));
      const { Person } = database.models;
      const [changed] = await Person.update(
        { units: body.units, version: body.version + 1 },
        { where: { id: person.id, version: body.version } },
      );
      const row = await Person.findByPk(person.id, { rejectOnEmpty: true });
      if (changed === 0) throw new AppProblem('stale-write', { current: toPerson(row) });
      return toPerson(row);
    },
  };
}
