export {
  learningSchema,
  learnTopics,
  learnTopicSchema,
  type ContainerUse,
  type FirmLearned,
  type HomeOutcomes,
  type Learning,
  type LearnTopic,
  type RoomOutcome,
} from './model';
export { outcomesOf, type LearnRecords } from './outcomesOf';
export { sectionFactsOf, type SectionRecords } from './sectionFacts';
export { reportOf, type ComparedRoom, type Comparison, type LearnReport } from './report';
export { ASSUMED_SHARES, countedOf, learnFirm } from './learnFirm';
