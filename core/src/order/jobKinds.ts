import { symptoms as english } from '../language/en/symptoms';
import { textsOf } from '../language';
import { orders } from '../language/en/orders';

const symptomText = textsOf('symptoms', english);

const text = textsOf('orders', orders);
/** A job of the shop: which joints it goes through, in the order they are met. */
export interface JobKind {
  id: string;
  title: string;
  /** Kinds of sheets, the first joint to be tightened first. */
  joints: readonly string[];
}

export const JOB_KINDS: readonly JobKind[] = [
  {
    id: 'clutch',
    get title() {
      return text.jobs.clutch;
    },
    joints: ['flywheel', 'clutch', 'bell-housing'],
  },
  {
    id: 'flywheel',
    get title() {
      return text.jobs.flywheel;
    },
    joints: ['adapter-plate', 'flywheel', 'clutch', 'bell-housing'],
  },
  {
    id: 'head-gasket',
    get title() {
      return text.jobs['head-gasket'];
    },
    joints: ['cylinder-head', 'cam-cap', 'intake-manifold', 'exhaust-manifold'],
  },
  {
    id: 'intake',
    get title() {
      return text.jobs.intake;
    },
    joints: ['intake-manifold'],
  },
  {
    id: 'exhaust',
    get title() {
      return text.jobs.exhaust;
    },
    joints: ['exhaust-manifold'],
  },
  {
    id: 'damper',
    get title() {
      return text.jobs.damper;
    },
    joints: ['damper'],
  },
  {
    id: 'rods',
    get title() {
      return text.jobs.rods;
    },
    joints: ['rod-cap', 'pump'],
  },
  {
    id: 'other',
    get title() {
      return text.jobs.other;
    },
    joints: [],
  },
];

/**
 * What a customer says, and what is looked at before the engine is condemned. From engineering
 * practice.
 */
export interface Symptom {
  says: string;
  look: readonly string[];
}

/** In the order they are offered. */
export const symptoms = (): readonly Symptom[] =>
  Object.values(symptomText).map(({ says, ...look }) => ({ says, look: Object.values(look) }));
