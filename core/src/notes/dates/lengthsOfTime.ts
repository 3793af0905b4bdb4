import { overAlready, type Rule } from './dayMeant';
import { ordinals, someWord, weekdayWord } from './dayWords';

/** Lengths of time and habits, which name no day: "two days early", "third one in two weeks", "every Monday". */
export const lengthsOfTime: Rule[] = [
  [
    new RegExp(
      `\\b(?:${someWord}) (?:school )?(?:days?|weeks?|months?) (?:early|late|behind|before|old|running|in a row|absent|away|off|left|without|of|long|ago)\\b`,
      'gi',
    ),
    overAlready,
  ],
  [
    new RegExp(
      `\\b(?:${ordinals.join('|')}|\\d+(?:st|nd|rd|th)|once|twice|times|\\d+ ?x|(?<!\\bif )nothing|none)\\b[^.;,!?]{0,40}?\\b(?:in|within|over) (?:the )?(?:${someWord}) (?:day|week|fortnight|month)s?\\b`,
      'gi',
    ),
    overAlready,
  ],
  [
    new RegExp(
      `\\b(?:\\d+(?:st|nd|rd|th)|${ordinals.join('|')}) (?:${weekdayWord}) (?:running|in a row)\\b`,
      'gi',
    ),
    overAlready,
  ],
  [
    new RegExp(
      `\\b\\d+ (?:\\w+ )?(?:days|lessons|times|absences?|periods|minutes|mins?|points?|marks?|late|lates|missed|missing|warnings?|detentions?|incidents?)\\b[^.;,!?]{0,20} (?:in|within|over) (?:${someWord}) (?:day|week|fortnight|month|lesson|period)s?\\b`,
      'gi',
    ),
    overAlready,
  ],
  // "5 nods in two weeks" at the head of a part.
  [
    new RegExp(
      `(?<=^|[.,;:\\n] ?)\\d+ (?:[a-z]+ )?[a-z]+s (?:in|within|over) (?:${someWord}) (?:day|week|fortnight|month)s?\\b`,
      'gi',
    ),
    overAlready,
  ],
  [
    new RegExp(
      `\\b(?:every|each|most|some|all) (?:other |second |2nd |third |3rd )?(?:${weekdayWord})s?\\b`,
      'gi',
    ),
    overAlready,
  ],
  [
    new RegExp(`\\b(?:${weekdayWord}),? (?:the |of the )?week before(?! (?:the|we|he|she|they))\\b`, 'gi'),
    overAlready,
  ],
  // "In a month he has read more than in a year".
  [
    new RegExp(
      `\\b(?:in|within) (?:only |just )?(?:${someWord}) (?:day|week|month|fortnight)s? (?:\\p{L}+ )?(?:has(?! (?:his|her|their|an?|the|to)\\b)|had|was|were|did|got|made|have (?:been|done|read|[a-z]+ed))\\b`,
      'giu',
    ),
    overAlready,
  ],
  // "Chapter 6 in 3 days = 12 pages a day".
  [new RegExp(`\\bin (?:${someWord}) (?:day|week|month)s?(?= ?=| than\\b)`, 'gi'), overAlready],
  // "Off Wed–Fri last week", "the best Wednesday in weeks".
  [
    new RegExp(
      `\\b(?:${weekdayWord}) ?(?:-|–|to|and|or|until|till|/) ?(?:${weekdayWord}),? (?:of )?last week\\b`,
      'gi',
    ),
    overAlready,
  ],
  [
    new RegExp(`\\b(?:best|worst|[a-z]+est|first|only) (?:${weekdayWord}) (?:in|for|since|of the)\\b`, 'gi'),
    overAlready,
  ],
  // "No swim kit Thursday": it was missing.
  [
    new RegExp(
      `\\bno (?:[a-z]+ )?(?:kit|homework|hw|lunch|pen|pencil|book|bag|coat|planner|slip|money|log|card|glasses|shoes|boots) (?:on )?(?:${weekdayWord})\\b`,
      'gi',
    ),
    overAlready,
  ],
  [/\btomorrow never comes\b/gi, overAlready],
  // "The Friday lessons", "she works Mondays", "no show on Wednesday last".
  [
    new RegExp(
      `\\b(?:${weekdayWord}) (?:lessons|classes|mornings|afternoons|evenings|groups|clubs)\\b`,
      'gi',
    ),
    overAlready,
  ],
  // "Mon – no kit", "no lunch again Wed", "he comes only on Friday".
  [new RegExp(`\\b(?:${weekdayWord}) ?[–:-] ?no \\w+`, 'gi'), overAlready],
  [new RegExp(`\\bno \\w+ again (?:on )?(?:${weekdayWord})\\b`, 'gi'), overAlready],
  [
    new RegExp(`\\b(?:has|have|works?|comes?|is (?:here|in)) only (?:on )?(?:${weekdayWord})s?\\b`, 'gi'),
    overAlready,
  ],
  // "Two of the Friday group": who they are.
  [
    new RegExp(
      `\\b(?:of|from|with) the (?:${weekdayWord}) (?:group|class|club|lot|team|slot|choir|band|crew|set|ones)\\b`,
      'gi',
    ),
    overAlready,
  ],
  [new RegExp(`\\bworks (?:on )?(?:the )?(?:${weekdayWord})s?\\b`, 'gi'), overAlready],
  [new RegExp(`\\b(?:${weekdayWord}) last\\b(?=\\s*(?:$|[.,;!?\\n]))`, 'gi'), overAlready],
  // "3rd late on a Monday".
  [new RegExp(`\\b(?:(?:on|from|about|one) an?|another) (?:${weekdayWord})\\b`, 'gi'), overAlready],
  // "Always on Thursday": a habit.
  [
    new RegExp(
      `\\b(?:always|usually|normally|mostly|generally|typically) (?:[a-z]+ ){0,3}?(?:on )?(?:${weekdayWord})s?\\b`,
      'gi',
    ),
    overAlready,
  ],
  // "He has on Wednesday always his music".
  [new RegExp(`\\b(?:on )?(?:${weekdayWord})s? (?:always|usually|normally|mostly)\\b`, 'gi'), overAlready],
  // "Read 12 pages in 2 weeks".
  [
    new RegExp(
      `\\b(?:read|wrote|did|made|earned|got|had|done|missed|lost|took) (?:only |all |about )?(?:${someWord}) [a-z]+s? (?:in|within|over) (?:${someWord}) (?:day|week|fortnight|month)s?\\b`,
      'gi',
    ),
    overAlready,
  ],
  // "Mon 3, Tue 5": what was counted.
  [
    new RegExp(
      `\\b(?:${weekdayWord}):? \\d+(?:[,;] ?(?:and )?(?:${weekdayWord}):? \\d+)+\\b(?!st|nd|rd|th)`,
      'gi',
    ),
    overAlready,
  ],
  [new RegExp(`\\d ?\\((?:${weekdayWord})\\)`, 'gi'), overAlready],
  [
    new RegExp(
      `\\b\\d+ (?:of|out of) \\d+\\b[^.;,!?]{0,20}\\b(?:in|within) (?:${someWord}) (?:day|week|fortnight|month)s?\\b`,
      'gi',
    ),
    overAlready,
  ],
  [
    new RegExp(
      `\\b(?:from \\d+ to|up|down|up by|down by) \\d+\\b[^.;,!?]{0,20}\\b(?:in|within) (?:${someWord}) (?:day|week|fortnight|month)s?\\b`,
      'gi',
    ),
    overAlready,
  ],
  [
    new RegExp(
      `\\d ?(?:->|→|–|-|to) ?\\d+ (?:in|within) (?:${someWord}) (?:day|week|fortnight|month)s?\\b`,
      'gi',
    ),
    overAlready,
  ],
  [
    new RegExp(
      `\\b(?:in|over|during|for) the (?:last|past) (?:(?:${someWord}) )?(?:few )?(?:days?|weeks?|months?)\\b|\\bsince (?:about )?(?:${someWord}) (?:days?|weeks?|months?)\\b|\\b(?:${someWord}) (?:weeks?|days?|fridays?|mondays?|tuesdays?|wednesdays?|thursdays?) ago\\b`,
      'gi',
    ),
    overAlready,
  ],
];
