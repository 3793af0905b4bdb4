/** Languages in which a page's fixed words are told; sentences that somebody wrote stay as they are. */
export const pageLanguages = ['en', 'es', 'fr', 'de', 'pl', 'ar', 'uk', 'vi'] as const;
export type PageLanguage = (typeof pageLanguages)[number];

/** How each calls itself. */
export const languageNames: Record<PageLanguage, string> = {
  en: 'English',
  es: 'Español',
  fr: 'Français',
  de: 'Deutsch',
  pl: 'Polski',
  ar: 'العربية',
  uk: 'Українська',
  vi: 'Tiếng Việt',
};

export const isRightToLeft = (language: PageLanguage): boolean => language === 'ar';

const formats = new Map<string, Intl.DateTimeFormat>();

function formatOf(language: PageLanguage, withYear: boolean): Intl.DateTimeFormat {
  const key = `${language} ${withYear}`;
  const known = formats.get(key);
  if (known) return known;
  const format = new Intl.DateTimeFormat(language === 'en' ? 'en-GB' : language, {
    day: 'numeric',
    month: 'long',
    ...(withYear ? { year: 'numeric' as const } : {}),
    // Day and month as everybody there reads them, figures as they stand in the charts.
    numberingSystem: 'latn',
    calendar: 'gregory',
    timeZone: 'UTC',
  });
  formats.set(key, format);
  return format;
}

/** A day in words. @param day `YYYY-MM-DD` @param withYear said where it is not this year's */
export function dayIn(language: PageLanguage, day: string, withYear = false): string {
  return formatOf(language, withYear).format(new Date(`${day}T00:00:00Z`));
}
