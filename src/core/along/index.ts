export { listAlongPages, type StepPages } from './alongPages';
export { DEFAULT_DAYS_WITHOUT_CONTACT, MOST_DAYS_WITHOUT_CONTACT, isForgotten } from './contact';
