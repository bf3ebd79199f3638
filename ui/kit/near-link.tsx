'use client';
import Link from 'next/link';
import { type ComponentProps, useState } from 'react';

/**
 * A link whose page is fetched ahead once a pointer or the keyboard comes near it: a screen with a dozen of them does not ask
 * for a dozen pages while it is itself still being drawn.
 */
export function NearLink(props: ComponentProps<typeof Link>) {
  const [isNear, setNear] = useState(false);
  const come = () => setNear(true);
  return <Link {...props} prefetch={isNear ? null : false} onPointerEnter={come} onFocus={come} />;
}
