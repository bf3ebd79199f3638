import { notFound, redirect } from 'next/navigation';
import { enterPage } from '@/app/enter';
import { idOf } from '@/app/handle';
import { whereLeft } from '@/service/job/counter';

/** A job opens where it was left. */
export default async function JobPage({ params }: { params: Promise<{ id: string }> }) {
  const caller = await enterPage('jobs.read');
  const id = idOf(await params);
  const station = await whereLeft(caller, id);
  if (station === null) notFound();
  redirect(`/jobs/${id}/${station}`);
}
