import { readVocabulary } from './readVocabulary';
import bathroom from './vocabulary/bathroom.json';
import car from './vocabulary/car.json';
import cleaning from './vocabulary/cleaning.json';
import clothes from './vocabulary/clothes.json';
import decor from './vocabulary/decor.json';
import electronics from './vocabulary/electronics.json';
import family from './vocabulary/family.json';
import furniture from './vocabulary/furniture.json';
import garden from './vocabulary/garden.json';
import kitchen from './vocabulary/kitchen.json';
import linen from './vocabulary/linen.json';
import pantry from './vocabulary/pantry.json';
import paper from './vocabulary/paper.json';
import play from './vocabulary/play.json';
import sport from './vocabulary/sport.json';
import workshop from './vocabulary/workshop.json';

/**
 * What stands in homes, by room. Source: our own stated assumptions, written down from what such things
 * measure outside as people store them and what a kitchen or bathroom scale shows; no figure is a
 * maker's. Each carries a spread; docs/engines.md says how far they can be trusted.
 */
export const vocabulary = readVocabulary([
  kitchen,
  pantry,
  bathroom,
  linen,
  clothes,
  paper,
  play,
  sport,
  garden,
  workshop,
  car,
  cleaning,
  electronics,
  furniture,
  decor,
  family,
]);
