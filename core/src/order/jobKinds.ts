/** A job of the shop: which joints it goes through, in the order they are met. */
export interface JobKind {
  id: string;
  title: string;
  /** Kinds of sheets, the first joint to be tightened first. */
  joints: readonly string[];
}

export const JOB_KINDS: readonly JobKind[] = [
  { id: 'clutch', title: 'Replace clutch', joints: ['flywheel', 'clutch', 'bell-housing'] },
  {
    id: 'flywheel',
    title: 'Replace flywheel',
    joints: ['adapter-plate', 'flywheel', 'clutch', 'bell-housing'],
  },
  {
    id: 'head-gasket',
    title: 'Replace cylinder-head gasket',
    joints: ['cylinder-head', 'cam-cap', 'intake-manifold', 'exhaust-manifold'],
  },
  { id: 'intake', title: 'Replace intake-manifold gasket', joints: ['intake-manifold'] },
  { id: 'exhaust', title: 'Replace exhaust-manifold gasket', joints: ['exhaust-manifold'] },
  { id: 'damper', title: 'Replace crank damper', joints: ['damper'] },
  { id: 'rods', title: 'Renew rod bearings', joints: ['rod-cap', 'pump'] },
  { id: 'other', title: 'Other job', joints: [] },
];

/**
 * What a customer says, and what is looked at before the engine is condemned. From engineering
 * practice.
 */
export interface Symptom {
  says: string;
  look: readonly string[];
}

export const SYMPTOMS: readonly Symptom[] = [
  {
    says: 'Ticks when cold, goes away warm',
    look: [
      'Exhaust manifold: broken stud, soot at a port',
      'Gasket between manifold and head',
      'Follower and lobe, only after that',
    ],
  },
  {
    says: 'Clutch slips',
    look: [
      'Oil on the disc: rear crankshaft seal, gearbox input seal',
      'Free travel, hydraulic release',
      'Disc and pressure plate',
    ],
  },
  {
    says: 'Clutch drags or will not release',
    look: ['Air or leak in the hydraulics', 'Disc hub on the splines', 'Disc the wrong way round'],
  },
  {
    says: 'Rattle at idle with the clutch let in',
    look: ['Two-mass flywheel: play and tilt against the limit', 'Release bearing'],
  },
  {
    says: 'White smoke, coolant goes missing',
    look: [
      'Pressure test cold, plugs for a clean-washed one',
      'Gas in the coolant',
      'Intake gasket at a coolant port',
      'Head gasket, head flatness',
    ],
  },
  {
    says: 'Overheats',
    look: ['Level, fan, thermostat, pump first', 'Gas in the coolant', 'Head gasket'],
  },
  { says: 'Whistle or lean idle', look: ['Hoses and intake gasket with smoke', 'Manifold warp'] },
  {
    says: 'Squeal or wobble at the front of the engine',
    look: [
      'Belt and idlers',
      'Damper: has the rubber moved, does the ring run true',
      'Keyway and bolt',
    ],
  },
  {
    says: 'Oil at the bell housing',
    look: [
      'Where it is wet from above: covers, rear of the head',
      'Rear crankshaft seal',
      'Gearbox input seal',
      'Flywheel bolts in through-holes',
    ],
  },
  {
    says: 'Knock under load',
    look: [
      'Oil pressure, oil in the filter',
      'Rod bearings: shells, by cylinder',
      'Broken mount, loose flywheel',
    ],
  },
];
