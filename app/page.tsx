import { redirect } from 'next/navigation';
import { enterPage } from './enter';

export default async function Home() {
  await enterPage('jobs.read');
  redirect('/counter');
}
