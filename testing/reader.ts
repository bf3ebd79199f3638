import { asTrusted, type Caller, type Right } from '../service/staff/access';

/** Somebody who may see everything, for a test or a measurement that only looks and changes nothing. */
export const READER: Caller<Right> = asTrusted({
  id: 0,
  signIn: 'reader',
  name: 'Reader',
  role: 'owner',
  language: null,
  counterSeesCost: true,
});
