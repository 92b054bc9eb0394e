import { languageOf } from '@druckerei/contract/plain';

const YEAR_S = 365 * 24 * 60 * 60;

/**
 * Fetches the page anew where somebody reads another language than it is in; the server sends it in the one that the cookie
 * names. @param locale BCP 47, null for the browser's own
 */
export function speakAs(locale: string | null): void {
  const language = languageOf(locale ?? navigator.language);
  const chosen = `language=${language}`;
  if (language === (document.documentElement.lang || 'en') || document.cookie.split('; ').includes(chosen)) return;
  document.cookie = `${chosen}; path=/; max-age=${YEAR_S}; SameSite=Lax`;
  location.reload();
}
