import type { Metadata } from 'next';
import { headers } from 'next/headers';
import { notFound, redirect } from 'next/navigation';
import { Desk } from '@/app/desk';
import { enterPage } from '@/app/enter';
import { idOf } from '@/app/handle';
import { jobInLanguage } from '@/app/job-in-language';
import { machineIn } from '@/app/machine-in';
import { STATIONS, type Station } from '@/core/machine/station';
import { plannerScript, startPlanner } from '@/runtime/planner-script';
import { nextMachine } from '@/service/job/bench/next-machine';
import { rememberStation } from '@/service/job/counter';
import { allMachines, machinesName } from '@/service/job/job-names';
import { showStation } from '@/service/job/job-state';
import { marketText } from '@/service/job/options/market-text';
import { jobView, pageJob } from '@/service/job/view';
import { deviceAddress } from '@/service/shop/reach';
import { mayDo } from '@/service/staff/access';
import { StationRail } from '@/ui/frame/station-rail';
import { STATION_NAMES } from '@/ui/frame/station-words';
import { Beside } from '@/ui/job/beside';
import { CloseJobButton } from '@/ui/job/close-job-button';
import { ClosedNote } from '@/ui/job/closed-note';
import { Groups } from '@/ui/job/groups';
import { JobProvider } from '@/ui/job/job-context';
import { OnDeviceButton } from '@/ui/job/on-device-button';
import { StationScreen } from '@/ui/job/station-screen';
import { EARLY, PLANNER_AT } from '@/ui/options/early-worker';
import { getTranslations, screenLanguage } from '@/ui/words/on-the-server';
import { WORDS_OF_STATIONS } from '@/ui/words/words-of-stations';

/** Stations that plan. */
const WITH_MARKET: ReadonlySet<Station> = new Set<Station>(['limits', 'options']);

type Params = Promise<{ id: string; station: string }>;
type Asked = Promise<{ machine?: string | string[] }>;

const isStation = (name: string): name is Station => (STATIONS as readonly string[]).includes(name);

export async function generateMetadata({ params }: { params: Params }): Promise<Metadata> {
  const { id, station } = await params;
  const t = await getTranslations('job');
  const tFrame = await getTranslations('frame');
  return { title: isStation(station) ? t('title', { value: tFrame(STATION_NAMES[station]), id }) : t('job') };
}

/** One station of a job, with the rail above it and slot board and slip beside it. */
export default async function StationPage({ params, searchParams }: { params: Params; searchParams: Asked }) {
  const t = await getTranslations('job');
  const caller = await enterPage('jobs.read');
  const { station, ...rest } = await params;
  if (!isStation(station)) notFound();
  const state = await showStation(caller, idOf(rest), station);
  if (state === null) notFound();
  // The quote is of all groups of the job's machines.
  if (station === 'quote' && state.job.leadId !== null) redirect(`/jobs/${state.job.leadId}/quote`);
  // A page that is only fetched ahead is not where the job was left.
  const ahead = (await headers()).get('next-router-prefetch') !== null;
  if (!ahead && state.job.station !== station) await rememberStation(caller, state.job.id, station);
  const { job } = state;
  const { machine } = await searchParams;
  const inHand =
    typeof machine === 'string' ? machineIn(new URLSearchParams({ machine })) : nextMachine(state, station);
  const view = jobInLanguage(pageJob(jobView(state, caller, inHand)), await screenLanguage());
  const path = WITH_MARKET.has(station) ? `/api/jobs/${job.id}/market/${marketText(state).mark}` : null;
  const planner = plannerScript();
  const bar = (
    <div className="flex items-center gap-3 min-w-0">
      <p className="truncate max-[620px]:whitespace-normal text-sm">
        <strong>{t('jobNr', { id: job.leadId ?? job.id })}</strong> · {job.customer.name || t('noName')} ·{' '}
        {machinesName({ ...job, machines: allMachines(state.groups) }) || t('noMachine')}
      </p>
      <span className="max-[620px]:hidden shrink-0 whitespace-nowrap">
        <OnDeviceButton address={deviceAddress()} />
      </span>
      {mayDo(caller, 'jobs.write') && job.closedAt === null && <CloseJobButton jobId={job.leadId ?? job.id} />}
    </div>
  );
  return (
    <Desk caller={caller} here="" bar={bar} words={WORDS_OF_STATIONS[station]}>
      {/* It is on its way while the page's scripts are. */}
      {path !== null && <link rel="preload" as="fetch" href={path} crossOrigin="anonymous" />}
      {path !== null && planner !== null && station === 'options' && (
        <script
          nonce={(await headers()).get('x-nonce') ?? undefined}
          // biome-ignore lint/security/noDangerouslySetInnerHtml: what stands in it is made here.
          dangerouslySetInnerHTML={{ __html: startPlanner(planner, path, view.currency, EARLY) }}
        />
      )}
      <StationRail jobId={job.id} here={station} standings={state.standings} />
      <JobProvider job={view} market={path}>
        <div className="job-grid" {...(path !== null && planner !== null && { [PLANNER_AT]: planner })}>
          <main id="work" className="min-w-0">
            <ClosedNote />
            <Groups />
            <StationScreen station={station} />
          </main>
          <Beside />
        </div>
      </JobProvider>
    </Desk>
  );
}
