import { cookies } from 'next/headers';
import type { ReactNode } from 'react';
import type { Caller } from '@/service/staff/access';
import { Scanner } from '@/ui/client/scanner';
import { SessionGuard } from '@/ui/client/session-guard';
import { TopBar } from '@/ui/frame/top-bar';
import { ScreenWords } from '@/ui/words/screen-words';
import type { StaffMessages } from '@/words/staff-words';
import { lightOf } from './light';

interface DeskProps {
  caller: Caller;
  here: string;
  bar?: ReactNode;
  /** the catalogues that the page's components read, beside those of the frame */
  words: readonly (keyof StaffMessages)[];
  children: ReactNode;
}

/** What surrounds every page of the staff: the bar, and the guard that keeps typing when a session ends. */
export async function Desk({ caller, here, bar, words, children }: DeskProps) {
  const light = lightOf(await cookies());
  return (
    <ScreenWords of={['frame', ...words]}>
      <SessionGuard signIn={caller.signIn}>
        <TopBar person={{ name: caller.name, role: caller.role }} light={light} here={here}>
          {bar}
        </TopBar>
        <Scanner />
        {children}
      </SessionGuard>
    </ScreenWords>
  );
}
