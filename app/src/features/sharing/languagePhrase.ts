import {
  languageNames,
  pageLanguages,
  type PageLanguage,
} from '@slate-path/core/sharing/readerPage/language';
import { choicePhrase } from '../../parts/Sentence';

const options = pageLanguages.map((value) => ({ value, label: languageNames[value] }));

/** The phrase of a sentence that says, and changes, the language of a page's fixed words. */
export const languagePhrase = (value: PageLanguage, onChange: (language: PageLanguage) => void) =>
  choicePhrase<PageLanguage>({ name: 'choose the language', value, options, onChange });
