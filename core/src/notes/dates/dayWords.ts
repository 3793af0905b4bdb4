const weekdays = 'mon|tue|wed|thu|fri|sat|sun';
export const weekdayWord = `(?:mon|tues|wednes|thurs|fri|satur|sun)day|mon|tues?|weds?|thurs?|thu|thur|fri|sat|sun`;
export const monthWord =
  'jan(?:uary)?|feb(?:ruary)?|mar(?:ch)?|apr(?:il)?|may|june?|july?|aug(?:ust)?|sept?(?:ember)?|oct(?:ober)?|nov(?:ember)?|dec(?:ember)?';
export const months = 'jan feb mar apr may jun jul aug sep oct nov dec'.split(' ');
const numbers: Record<string, number> = Object.fromEntries(
  'a:1 an:1 one:1 two:2 three:3 four:4 five:5 six:6 seven:7 eight:8 nine:9 ten:10 eleven:11 twelve:12 fourteen:14 couple:2 few:3'
    .split(' ')
    .map((pair) => pair.split(':') as [string, string])
    .map(([word, number]) => [word, Number(number)]),
);
export const ordinals =
  'first second third fourth fifth sixth seventh eighth ninth tenth eleventh twelfth thirteenth fourteenth fifteenth sixteenth seventeenth eighteenth nineteenth twentieth twenty-first twenty-second twenty-third twenty-fourth twenty-fifth twenty-sixth twenty-seventh twenty-eighth twenty-ninth thirtieth thirty-first'.split(
    ' ',
  );
/** A number of days or weeks, in figures or words. */
export const someWord =
  'a couple of|a few|another|a|an|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|fourteen|\\d{1,2}';

export function count(word: string | undefined): number {
  const folded = (word ?? '').toLowerCase();
  if (/couple/.test(folded)) return 2;
  if (/few/.test(folded)) return 3;
  if (folded === '' || folded === 'another') return 1;
  return numbers[folded] ?? Number(folded);
}

export function weekdayNumber(word: string): number {
  return weekdays.split('|').indexOf(word.slice(0, 3).toLowerCase()) + 1;
}

export function monthNumber(word: string): number {
  return months.indexOf(word.slice(0, 3).toLowerCase()) + 1;
}
