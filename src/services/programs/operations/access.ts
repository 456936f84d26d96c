import Type from 'typebox';
import type { Actor } from '../../actor';
import { readOwnCompany } from '../../settings/company';
import { orNull, Words } from '../answers';
import { operation } from '../operation';

const Access = Type.Object({
  company: Type.Object({
    name: Words,
    currency: Type.String({ pattern: '^[A-Z]{3}$' }),
    timeZone: Type.String({ description: 'As the IANA names it' }),
    units: Type.Union([Type.Literal('us'), Type.Literal('metric')]),
    demo: Type.Boolean({ description: 'It is the demo: nothing of it is real' }),
  }),
  name: Type.String({ description: 'In whose name it acts' }),
  program: orNull(Type.String({ description: 'What the program is called' })),
  permissions: Type.Array(Words),
});

export const accessOperations = [
  operation({
    id: 'readAccess',
    method: 'get',
    path: '/access',
    about: 'Access',
    title: 'In whose name one asks, in which company, and what one may do',
    needs: [],
    answer: Access,
    act: async (actor: Actor) => {
      const { name, currency, timeZone, units, demo } = await readOwnCompany(actor);
      return {
        company: { name, currency, timeZone, units, demo },
        name: actor.name,
        program: actor.via ?? null,
        permissions: actor.permissions,
      };
    },
  }),
];
