import { writeFileSync } from 'node:fs';
import { describeRecords } from '@/data/records';

writeFileSync('docs/records.md', describeRecords());
