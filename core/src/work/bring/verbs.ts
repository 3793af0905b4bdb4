/** What takes a statement back: its object is the statement that does not count any more. */
export const voided = 'http://adlnet.gov/expapi/verbs/voided';

const adl = 'http://adlnet.gov/expapi/verbs/';
const streams = 'http://activitystrea.ms/schema/1.0/';
const commons = 'https://w3id.org/xapi/adl/verbs/';

/**
 * Verbs of the vocabularies that ADL and Activity Streams publish, and the kind that each is here. Another verb is
 * called what its statement displays.
 */
export const verbKinds: Readonly<Record<string, string>> = {
  [`${adl}launched`]: 'opened',
  [`${adl}initialized`]: 'opened',
  [`${adl}experienced`]: 'opened',
  [`${adl}interacted`]: 'opened',
  [`${adl}resumed`]: 'opened',
  [`${adl}attended`]: 'joined',
  [`${adl}registered`]: 'joined',
  [`${adl}attempted`]: 'tried',
  [`${adl}progressed`]: 'worked on',
  [`${adl}asked`]: 'asked',
  [`${adl}answered`]: 'answered',
  [`${adl}responded`]: 'answered',
  [`${adl}commented`]: 'posted',
  [`${adl}shared`]: 'shared',
  [`${adl}completed`]: 'finished',
  [`${adl}passed`]: 'passed',
  [`${adl}failed`]: 'did not pass',
  [`${adl}mastered`]: 'passed',
  [`${adl}scored`]: 'got a score',
  [`${adl}suspended`]: 'left',
  [`${adl}terminated`]: 'left',
  [`${adl}exited`]: 'left',
  [`${commons}logged-in`]: 'signed in',
  [`${commons}logged-out`]: 'signed out',
  [`${streams}open`]: 'opened',
  [`${streams}access`]: 'opened',
  [`${streams}read`]: 'opened',
  [`${streams}watch`]: 'opened',
  [`${streams}listen`]: 'opened',
  [`${streams}play`]: 'opened',
  [`${streams}start`]: 'opened',
  [`${streams}submit`]: 'handed in',
  [`${streams}send`]: 'sent',
  [`${streams}post`]: 'posted',
  [`${streams}create`]: 'made',
  [`${streams}author`]: 'made',
  [`${streams}update`]: 'edited',
  [`${streams}save`]: 'edited',
  [`${streams}delete`]: 'deleted',
  [`${streams}share`]: 'shared',
  [`${streams}like`]: 'reacted',
  [`${streams}favorite`]: 'reacted',
  [`${streams}agree`]: 'reacted',
  [`${streams}question`]: 'asked',
  [`${streams}respond`]: 'answered',
  [`${streams}answer`]: 'answered',
  [`${streams}comment`]: 'posted',
  [`${streams}join`]: 'joined',
  [`${streams}leave`]: 'left',
  [`${streams}complete`]: 'finished',
  [`${streams}win`]: 'passed',
  [`${streams}search`]: 'searched',
};
