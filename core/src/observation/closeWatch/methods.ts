import type { ObservationMethod } from './limits';

interface MethodWords {
  name: string;
  /** What it tells, and what the observer does. */
  about: string;
}

/** The methods as the trade calls them. Source of the definitions: Cooper, Heron and Heward, Applied Behavior Analysis (2020), chapter 4. */
export const methodWords: Record<ObservationMethod, MethodWords> = {
  frequency: { name: 'Frequency', about: 'How often: each time is one tap.' },
  duration: { name: 'Duration', about: 'For how long: a tap when it begins, a tap when it ends.' },
  latency: {
    name: 'Latency',
    about: 'How long until it begins: a tap when it is asked for, a tap when it begins.',
  },
  partial_interval: {
    name: 'Partial interval',
    about: 'Was it seen at any time in the interval? Tells more than there was.',
  },
  whole_interval: {
    name: 'Whole interval',
    about: 'Did it go on for all of the interval? Tells less than there was.',
  },
  momentary: {
    name: 'Momentary time sampling',
    about: 'Is it so at the signal, just then? Between signals your eyes are free.',
  },
};
