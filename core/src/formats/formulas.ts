/**
 * Where a table program could begin to read a formula: a sign at the start of a cell, or after what some take for
 * the end of one (a semicolon, a tab, a new line), behind spaces and marks that nobody sees, also in the wide
 * letters of East Asian keyboards. Apostrophes that stand there already belong to it.
 */
const before = /((?:^|[;\t\r\n])[ \0\u00A0\u2000-\u200F\u2060\u3000\uFEFF]*)/.source;
const sign = /([=+\-@＝＋－＠﹦﹢﹣﹫−])/.source;
const bare = new RegExp(`${before}('*)${sign}`, 'g');
const guarded = new RegExp(`${before}'('*)${sign}`, 'g');

/**
 * Text that no table program runs: an apostrophe before every sign that could begin a formula (OWASP, "CSV
 * Injection").
 */
export function guardFormulas(text: string): string {
  return text.replace(bare, "$1'$2$3");
}

/** The text that `guardFormulas` was given. */
export function unguardFormulas(text: string): string {
  return text.replace(guarded, '$1$2$3');
}
