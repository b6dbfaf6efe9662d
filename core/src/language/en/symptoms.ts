export const symptoms = {
  tick: {
    says: 'Ticks cold, quiet when warm',
    1: 'Exhaust manifold: broken stud, soot at a port',
    2: 'Gasket between manifold and head',
    3: 'Then follower and cam lobe',
  },
  slip: {
    says: 'Clutch slips',
    1: 'Oil on the clutch points to the rear main seal or input seal',
    2: 'Free travel, hydraulic release',
    3: 'Disc and pressure plate',
  },
  drag: {
    says: 'Clutch drags or won’t release',
    1: 'Air or leak in the hydraulics',
    2: 'Disc hub on the splines',
    3: 'Disc the wrong way around',
  },
  rattle: {
    says: 'Rattles at idle, clutch engaged',
    1: 'Dual-mass flywheel: play and tilt against the limit',
    2: 'Release bearing',
  },
  smoke: {
    says: 'White smoke, loses coolant',
    1: 'Cold pressure test; look for a washed-clean plug',
    2: 'Combustion gas in the coolant',
    3: 'Intake gasket at a coolant port',
    4: 'Head gasket, head flatness',
  },
  heat: {
    says: 'Overheats',
    1: 'Level, fan, thermostat, pump first',
    2: 'Combustion gas in the coolant',
    3: 'Head gasket',
  },
  whistle: {
    says: 'Whistle or lean idle',
    1: 'Hoses and intake gasket, smoke test',
    2: 'Manifold warp',
  },
  squeal: {
    says: 'Squeal or wobble at the front of the engine',
    1: 'Belt and idlers',
    2: 'Damper: rubber shifted, ring out of true',
    3: 'Keyway and bolt',
  },
  oil: {
    says: 'Oil at the bell housing',
    1: 'Leaks from above: covers, rear of the head',
    2: 'Rear main seal',
    3: 'Transmission input seal',
    4: 'Flywheel bolts in through-holes',
  },
  knock: {
    says: 'Knocks under load',
    1: 'Oil pressure, debris in the filter',
    2: 'Rod bearings, by cylinder',
    3: 'Broken mount, loose flywheel',
  },
} as const;
