export const checks = {
  duplicateName: '“{{name}}” is used twice. Give each its own name.',
  unknownName: 'This sheet has no {{what}} “{{name}}”.',
  what: {
    position: 'position',
    group: 'fastener group',
    fastener: 'fastener',
    any: 'fastener, group or tag',
    stage: 'stage',
    step: 'step',
    instance: 'instance',
    stepOrStage: 'step or stage',
  },
  holdBack: '“{{name}}” doesn’t come before this hold point. It can only lead back.',
  neverReached: 'Fastener {{id}} is never tightened: no stage names it.',
  nothingNamed: '“{{stage}}” names no fastener.',
  pulledTwice: 'Fastener {{id}} comes twice in one pass of “{{stage}}”.',
  orderIncomplete: 'The order of “{{stage}}” leaves out {{ids}}.',
  orderImpossible: 'The order “{{rule}}” doesn’t work for {{n}} fasteners in this layout.',
  noOrder:
    'The source gives no order. Fasteners are listed as numbered. Choose an order and mark it as derived.',
  kinds: {
    torque: 'a torque',
    angle: 'an angle',
    length: 'a length',
    force: 'a force',
  },
  targetMissing: '“{{name}}” has no value.',
  targetUnit: '“{{name}}” needs {{kind}}, but its unit is {{unit}}.',
  rangeEmpty: 'The range of “{{name}}” is empty: {{min}} to {{max}}.',
  recommendedOutside: '“{{name}}” recommends {{value}}, outside {{min}} to {{max}}.',
  sameAsNoChoice:
    '“{{name}}” uses the value chosen at “{{stage}}”, which leaves nothing to choose.',
  conflictOfNothing: 'Say which sheet or source disagrees.',
  fieldMissing: '“{{name}}” doesn’t say {{what}}.',
  fields: {
    loosen: 'how far to loosen',
    waitUntil: 'how long, or until which temperature',
    each: 'what to do on each fastener',
  },
  repeatSeated: '“{{name}}” repeats until seated. Enter the maximum rounds.',
  repeatOnlyDraw: 'Only pulling a part down repeats until seated. “{{name}}” doesn’t.',
  repeatOnlyTorque: 'Only a torque stage repeats until no bolt moves. “{{name}}” can’t.',
  repeatNot: '“{{name}}” can’t be repeated. Enter each angle as its own stage.',
  torqueBelowEarlier:
    '“{{name}}” is less than fastener {{seat}} already has, and nothing is loosened in between.',
  angleWithoutTorque: '“{{name}}” turns fastener {{seat}} by an angle before it has any torque.',
  checkAfterAngle:
    '“{{name}}” checks fastener {{seat}} by torque after an angle. After an angle only the paint mark or a published minimum tells.',
  loosenNothing: '“{{name}}” loosens fastener {{seat}}, which was never tightened.',
  torqueAfterAngle:
    '“{{name}}” torques fastener {{seat}} after it was turned by an angle. Loosen it in between, or make it a check.',
  endsSlack: '“{{name}}” leaves fastener {{seat}} loose, and nothing tightens it after that.',
  neverTight:
    '“{{name}}” starts fastener {{seat}}, and nothing ever tightens it. Right for a stud; a bolt needs its torque.',
  toleranceTooWide: 'The tolerance of “{{name}}” reaches below zero.',
  angleUnusual: 'Hardly any source turns a bolt {{degrees}}° at once. Check the digits.',
  anglesTooFar:
    'The angles of fastener {{seat}} add up to {{degrees}}°. Is one of them on the sheet twice?',
  built: 'Build date',
  answerNotHere: 'No answer leads to this sheet.',
  answerAllHere: 'Every answer leads to the same sheet.',
  trialNotOpened: 'After the trial torque “{{name}}” nothing is loosened again.',
  oldPartStays: '“{{name}}” uses the old part, and no stage fits the new one.',
  compoundMissing: '{{group}}: values are for “{{friction}}”, but no compound is given.',
  compoundTwice: '{{group}}: two compounds on the same place ({{place}}). Keep one.',
  compoundOnTop: '{{group}}: already coated ({{place}}). Add none.',
  sealantClock:
    'Gasket sealant without a time. Enter its open time, or mark that the source gives none.',
  neverOut: '“{{what}}” is put in and never taken out.',
  outBeforeIn: '“{{what}}” is taken out before it is put in.',
  oilIntoCoolant:
    '{{group}}: oil on threads that end in coolant. Oil doesn’t seal; check the source for sealant.',
  clockBackwards: 'The time limit “{{what}}” ends before it starts.',
  compoundBeforeTrial:
    '“{{step}}” applies {{kind}} before the trial torque is over. Apply it after.',
  back: {
    noAnswer: 'names a stage to go back to, but no answer leads there',
    noStage: 'leads back, but names no stage',
    notDone: 'leads back to a stage that isn’t done by then',
  },
  backNowhere: '“{{step}}” {{why}}.',
  measureLimits: '“{{step}}” has no limit: {{what}}.',
  unknownThread: '{{what}} is not known here, so {{value}} can’t be checked.',
  asValue: 'a value {{what}}',
  anotherUnit: '{{value}} for {{what}} fits better as {{unit}}. Compare with the source.',
  torque: {
    error:
      '“{{stage}}”: {{value}} breaks {{what}} ({{percent}}% of yield torque at normal friction).',
    warn: '“{{stage}}”: {{value}} takes {{what}} past yield ({{percent}}% of yield torque at normal friction).',
    noteHigh:
      '“{{stage}}”: {{value}} is high for {{what}} ({{percent}}% of yield torque at normal friction).',
    noteLow:
      '“{{stage}}”: {{value}} is low for {{what}} ({{percent}}% of yield torque at normal friction).',
  },
  torqueTooLow:
    '{{value}} is very low for {{what}}: {{percent}}% of yield torque. Check the digits and the unit.',
  torqueBeforeAngle:
    '{{value}} nearly yields {{what}}, and an angle still follows. Is one of the two on the page as something else?',
  turnedAndReused:
    '{{group}} are turned by {{degrees}}° and marked as reusable. Does the source say they can be reused?',
  oneTimeUseHinted:
    '{{group}} are tightened past yield, but marked as reusable. Past yield a bolt stays stretched.',
  reuseLimitMissing:
    '{{group}} can be reused if short enough, but the sheet gives no maximum length.',
  unitOfThread:
    'All of the library’s sheets for {{what}} are in {{theirs}}. Printed as {{unit}} on the page?',
  unitOfMaker:
    'The library’s sheets from {{maker}} are printed in {{theirs}}. Printed as {{unit}} on the page?',
  unitMixed: 'Other torques on this sheet are in another unit. Printed as {{unit}} on the page?',
  unitFactor:
    'This value and “{{title}}” (rev {{revision}}) differ by the factor between N·m and lbf·ft. Check the unit in the source.',
} as const;
