/** A number as it is written, and as a phone dials it (RFC 3966: digits, with a plus in front where it is worldwide). */
export interface PhoneNumber {
  written: string;
  dialled: string;
}

const fewestDigits = 3;
/** A stroke without spaces stands within a number ("030/1234567"). */
const between = /\s+\/\s+|\s*[,;|]\s*|\s*\b(?:or|oder|ou|und|and)\b\s*/i;

/**
 * The numbers in what somebody wrote down as a telephone number: several, each by itself, without words, without the
 * zero that is left out after a country's code ("+353 (0)1 …"), without an extension.
 */
export function phoneNumbers(text: string): PhoneNumber[] {
  return text.split(between).flatMap((part) => {
    const plain = part.replace(/\b(?:ext|x)\.?\s*\d+\s*$/i, '').trim();
    const local = /^[^\d+]*\+/.test(plain) ? plain.replace(/\(0\)/, '') : plain;
    const digits = local.replace(/\D/g, '');
    if (digits.length < fewestDigits) return [];
    return [{ written: part.trim(), dialled: /^[^\d+]*\+/.test(local) ? `+${digits}` : digits }];
  });
}
