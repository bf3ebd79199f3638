import type { NextRequest } from 'next/server';
import { z } from 'zod';
import { signedInHeaders } from '@/app/cookies';
import { answer, caught, fromElsewhere, parseBody } from '@/app/handle';
import { MOST_OPENING_BYTES } from '@/runtime/body-limits';
import { clientAddress } from '@/runtime/request-headers';
import { fault } from '@/service/result';
import { newShopSchema, openShop } from '@/service/shop/open-shop';
import { signIn } from '@/service/staff/sign-in';
import { screenLanguage } from '@/ui/words/on-the-server';

const schema = z.strictObject({ code: z.string().trim().min(1, 'Enter the code.').max(40), shop: newShopSchema });

/** Opens an empty database as a shop, with the code that the start printed, and signs its first owner in. */
export async function POST(request: NextRequest): Promise<Response> {
  try {
    await screenLanguage();
    if (fromElsewhere(request)) return answer(fault('forbidden', 'This came from another site.'));
    const typed = await parseBody(request, schema, MOST_OPENING_BYTES);
    if (!typed.ok) return answer(typed);
    const { code, shop } = typed.value;
    const opened = await openShop(shop, code);
    if (!opened.ok) return answer(opened);
    const entered = await signIn(shop.owner.signIn, shop.owner.password, { address: clientAddress(request.headers) });
    // The shop is open: anyone who cannot be signed in just now does it on the next page.
    const headers = entered.ok ? signedInHeaders(request, entered.value) : new Headers();
    return Response.json({ signedIn: entered.ok }, { headers });
  } catch (cause) {
    return caught(cause, request);
  }
}
