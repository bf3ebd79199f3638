/** Says in which language a person reads the screens, so that the server writes them so at once. */
export const LANGUAGE_COOKIE = 'fenbrik-language';
