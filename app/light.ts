import { LIGHT_COOKIE, type Light } from '@/ui/frame/light';

/** The light a person chose; day where nobody chose. */
export function lightOf(cookies: { get(name: string): { value: string } | undefined }): Light {
  return cookies.get(LIGHT_COOKIE)?.value === 'back-room' ? 'back-room' : 'day';
}
