export type Light = 'day' | 'back-room';
export const LIGHT_COOKIE = 'fenbrik-light';
