export { deedCodes, parseDeed, writeDeed, type Deed, type DeedCode, type KeptDeed } from './deeds';
