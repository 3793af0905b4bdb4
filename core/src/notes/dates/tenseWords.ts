// What tells, in notes, whether a day lies ahead, is over or is planned.

export const pastVerbs = new Set(
  'was were had did went came left said told asked forgot got gave took made knew saw ran sat spoke wrote broke brought bought caught fell felt held kept lost met paid rang found chose drank ate grew led shook spent stuck struck tore wore fought flew froze learnt lent built bit hung overslept became began dug fed dealt won sent slept sold stood stole swore taught thought threw understood woke hit hurt hid rode drew didnt wasnt werent hadnt couldnt beat bent bound bled blew bred burnt burst clung crept dreamt drove fled forbade forgave heard leant leapt mistook overheard overcame proved sought shone shot shrank sang sank slid smelt sped spelt spilt spat spoilt sprang stank stung swept swam swung undid withdrew spun strove wove woken thrown turned lied'.split(
    ' ',
  ),
);
export const notPast = new Set(
  'need feed speed red bed seed indeed exceed succeed proceed shed wed sled bleed weed used supposed based excused'.split(
    ' ',
  ),
);
/** How somebody was, in notes without a verb. */
export const wasSo = new Set(
  'absent away missing late ill sick asleep quiet absence absences lates'.split(' '),
);
export const aheadWords = new Set(
  'will wont shall going gonna due must should needs need wants want wishes hopes plans plan promises promised agreed agree can may might'.split(
    ' ',
  ),
);
/** Things that lie ahead where nothing is told of them. */
export const aheadThings = new Set(
  'rest result results deadline retake retakes resit resits retest quiz trip visit exam exams assessment presentation reminder appointment dentist orthodontist optician clinic physio scan jab interview rehearsal concert'.split(
    ' ',
  ),
);
/** At the head of a part they say what the teacher is going to do. */
export const intentions = new Set(
  'ring call phone email write check ask see chase move talk speak remind give try watch look print praise collect return meet follow review revisit retest test mark hand find get send tell show start bring book arrange speak sit seat pair swap discuss decide recheck redo back'.split(
    ' ',
  ),
);

/** What has been done: "has seen", "had forgotten". */
export const participles = new Set(
  'seen done been gone taken written spoken given forgotten already eaten fallen begun drawn driven shown stolen broken worn sung swum chosen hidden ridden grown thrown torn bitten frozen'.split(
    ' ',
  ),
);
/** "to" behind these tells of what was: "turned out to be", "used to come". */
export const toldOf = new Set(
  'out used wanted tried seemed appeared had managed began started continued happened failed refused spoke spoken talked went came wrote written listened showed apologised apologized lied reported moved gave sent said belonged turned'.split(
    ' ',
  ),
);
/** "was due", "had been supposed to": it should have been. */
export const shouldHaveBeen =
  /\b(?:was|were|been) (?:only |also |already |originally |actually |meant )?(?:due|supposed|meant|expected|promised|to (?:be|come|have|hand|bring|see|do))\b|\b(?:was|were) (?:going|about) to\b|\bmeant to\b|\b(?:had|was|were) hop(?:ed|ing)\b|\bshould have\b|\b(?:must|may|might|could|can't|cannot) have (?:been|had|come|gone|left|said|done|[a-z]+ed)\b|\bought to have (?:been|had|come|gone|left|said|done|[a-z]+ed)\b/;

/** "He had posted it on Saturday". */
export const hadDone =
  /\b(?:had|having) (?:already |just |only |not )?(?:been|gone|done|seen|taken|given|written|[a-z]+ed)(?: [a-z]+){0,3}(?: on)?$/;
/** "5 laps Mon, 7 laps today". */
export const countBefore = /\b\d+ (?:[a-z]+ ){0,3}[a-z]+$/;
export const countNow = /^(?:\d+|none|nothing) (?:[a-z]+ )?(?:today|now|yesterday|this|since)\b/;
/** "We're starting the new book on Monday". */
export const isPlanned =
  /\bknows? about(?: the)?$|^(?:please )?make sure\b[^,;.]*$|\bwould(?:n't| not)? be (?:surprised|good|nice|glad|helpful|better|best)\b[^,;]*\bif\b[^,;]*$|\b(?:comes|starts|begins|returns|arrives|joins)(?: back| in)?(?: on)?(?: the)?$|\b(?:appointment|meeting|test|exam|trip|talk|visit|show|play|concert|deadline|party|match|retest|resit|interview|hearing|operation)s? (?:is|are)(?: now| still)?(?: on)?(?: the)?$|^(?:so |and )?were [a-z]+ing\b[^,;]*$|\blet['’]?s (?:see|look|try|meet|talk)\b[^,;.]*$|\byes,? (?:it['’]?s|it is|s?he is|they are)(?: on)?$|\b(?:asks?|asked|want(?:s|ed) to know|wonder(?:s|ed)) (?:me )?(?:if|whether) (?:he|she|they|we) (?:could|can|may|might)\b[^,;]*?(?: on| for)?(?: the)?$|(?:\b(?:is|are|am)|'re|'m|'s) (?:not )?(?:start|begin|hav|mov|tak|giv|meet|see|bring|hold|writ|hand|present|leav|return|visit|try)ing\b[^,;]*$|(?:\b(?:is|are|am)|'re|'m|'s) (?:(?:back|here|in|away|off|out|due|on)(?: on)?(?: the)?|(?:invited|booked|expected)\b[^,;]* on)$|\b(?:has|have) (?:been (?:promised|invited|booked|offered)\b[^,;]* on|(?:proposed|suggested|offered)(?: to [a-z]+)?)(?: the)?$/;

/** "Away Thu pm (choir)": part of a day, which nobody tells of afterwards. */
export const awayThen = /\b(?:away|out|off)(?: on)?$/;
export const partOfDay = /^(?:am|pm|p\d|all day|after lunch|from \d)\b/;
