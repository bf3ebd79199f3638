import { headers } from 'next/headers';
import { handle } from '@/app/handle';
import { codeSchema, opensOf } from '@/service/job/codes';
import { done } from '@/service/result';
import { deviceAddress } from '@/service/shop/reach';

/** What a code of the shop's own opens; null: it is none. Posted, so that no link's secret stands in an address. */
export const POST = handle('jobs.read', codeSchema, async (caller, { text }) => {
  const address = deviceAddress();
  const hosts = [(await headers()).get('host'), address === null ? null : new URL(address).host];
  return done(
    await opensOf(
      caller,
      text,
      hosts.filter((host) => host !== null),
    ),
  );
});
