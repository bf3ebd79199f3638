/** Time zones of the IANA database, as the platform knows them. */
export const TIME_ZONES: readonly string[] = ['UTC', ...Intl.supportedValuesOf('timeZone')];
