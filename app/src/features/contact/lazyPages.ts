import { lazily } from '../../parts/lazily';

/** All that has to do with contact, in one piece: what several pieces share would come with the first screen. */
const pages = () => import('./pages');

export const CallListScreen = lazily(async () => ({ default: (await pages()).CallListScreen }));
export const ContactForm = lazily(async () => ({ default: (await pages()).ContactForm }));
export const ContactTab = lazily(async () => ({ default: (await pages()).ContactTab }));
