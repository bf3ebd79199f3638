import { LIGHT_COOKIE, type Light } from '@/ui/frame/light';

/** The theme that a person chose; null: nobody chose, and it is as their system's. */
export function lightOf(cookies: { get(name: string): { value: string } | undefined }): Light | null {
  const chosen = cookies.get(LIGHT_COOKIE)?.value;
  return chosen === 'back-room' || chosen === 'day' ? chosen : null;
}
