const things =
  're-?tests?|retakes?|resits?|meetings?|follow[- ]?ups?|checks?|check-?ins?|calls?|visits?|detentions?|lessons?|appointments?|talks?|quiz(?:zes)?|tests?|exams?|trips?|reminders?|action|chasing|deadlines?|reviews?|homework|school';
/** What is said not to be, before its day: "no need to look again", "no retest needed". */
const before = new RegExp(
  [
    '\\bno (?:more |further |longer )?(?:need|necessity|reason)\\b',
    "\\b(?:do|does|did|will|would)(?: not|n'?t) (?:need\\b|have (?:to\\b|any|a\\b|it\\b))",
    "\\bneeds?(?: not|n'?t)\\b",
    "\\b(?:is|was|be|are) (?:not|no longer|no more) (?:necessary|needed|required)\\b|\\b(?:is|are)n'?t (?:necessary|needed|required)\\b|\\bunnecessary\\b",
    "\\b(?:must|shall|should)(?: not|n'?t) (?!forget|miss|be late|be away|leave)",
    `\\bno (?:more |further |other |second |extra )?(?:${things})\\b`,
    `(?<!\\b(?:may|might|could|would|will) )\\b(?:cancel|scrap|drop|skip|call off) (?:the |his |her |our |my |their |this )?(?:${things})(?: on| for)?$`,
    '\\bfalls? out(?: on)?$',
    '\\bno (?!sorry|wait|actually)[a-z]+(?: on)?$',
    "\\b(?:can't|cannot|cant|(?:can|could|will|would) not|(?:could|would|wo)n'?t) be(?: on)?$",
    "\\b(?:can't|cannot|cant|couldn't) (?:do|make|manage)(?: it)?(?: on)?$",
    `\\bwithout (?:a |any )?(?:${things})\\b`,
    '\\bnothing (?:more |else |further )?(?:to (?:do|follow|check|chase|see|discuss)|is due|due)\\b',
    '\\b(?:keeps?|kept|always|forever) (?:saying|promising|telling)\\b.*',
    '\\b(?:cancelled|canceled|called off|no longer|(?:instead of|rather than)(?: on)?|not (?:on|this|next|for|until after))$',
  ].join('|'),
);
/** Said behind the day: "Friday's meeting is cancelled". */
const after = new RegExp(
  `^ (?:there (?:is|will be) )?no (?:${things})\\b|` +
    /\b(?:is|was|has been|got|it'?s|are|were|been) (?:now )?(?:cancelled|canceled|called off|off(?=$)|dropped|not (?:happening|needed|necessary))\b|^ (?:not (?:needed|necessary)|cancelled|canceled|off(?=$))\b/
      .source,
);

/**
 * Is a day denied by the part of its sentence that it stands in: "no need to look again on Friday", "the meeting on
 * Friday is cancelled"?
 * @param said what stands before the day, in lower case @param follows what stands behind it
 */
export function isDenied(said: string, follows: string): boolean {
  return before.test(said) || after.test(follows);
}
