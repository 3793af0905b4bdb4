export { CallListScreen } from './CallListScreen';
export { ContactForm } from './ContactForm';
export { ContactTab } from './ContactTab';
