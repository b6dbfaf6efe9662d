import type { Translation } from '../language';
import type { traced as english } from '../en/traced';

export const traced: Translation<typeof english> = {
  looks: {
    ok: 'nada llama la atención',
    cross_thread: 'parece rosca cruzada',
    bottoming: 'parece que llegó al fondo',
    liquid_lock: 'parece líquido en el agujero',
    strip: 'parece rosca barrida',
    stick_slip: 'agarre a saltos',
    reused_yielded: 'parece ya estirado',
    wrong_lube: 'la fricción difiere de los demás',
    angle_slip: 'el ángulo se deslizó',
  },
  act: {
    ok: 'Nada que hacer.',
    cross_thread: 'Sáquelo a mano y mire las roscas.',
    bottoming: 'Sáquelo. Revise la profundidad, la suciedad y el largo.',
    liquid_lock: 'Sáquelo. Sople el agujero y empiece otra vez.',
    strip: 'Pare. Sáquelo y mire las roscas.',
    stick_slip: 'Revise el lubricante bajo la cabeza y en la rosca.',
    reused_yielded: 'Sáquelo y ponga uno nuevo.',
    wrong_lube: 'Compare lo que lleva la rosca con la hoja.',
    angle_slip: 'Lea la marca. El ángulo no es seguro.',
  },
  fromTight: 'Se oyó muy poco de este apriete para juzgarlo.',
  fine: 'Nada raro en esta curva.',
  mayBe: 'También puede ser: {{what}}.',
  look: '{{what}}: {{why}}. Revíselo.',
  lookMayBe: '{{what}}: {{why}}. {{mayBe}} Revíselo.',
  why: {
    ripple: 'el torque salta, {{percent}} fuera de la recta',
    holdDrop: 'el torque cae {{percent}} con el torquímetro quieto',
    steps_one: 'el ángulo saltó una vez y el torque no siguió',
    steps_other: 'el ángulo saltó {{count}} veces y el torque no siguió',
    preSnug:
      'el torque sube durante {{deg}}° antes de asentar, a {{percent}} de la pendiente de la unión',
    preSeat: '{{times}} veces el torque de bajada antes de asentar',
    peakDrop: 'el torque cae {{percent}} tras su máximo mientras gira',
    rough: '{{times}} veces la pendiente de la unión: seco o áspero',
    slippery: '{{times}} veces la pendiente de la unión: demasiado resbaloso',
    yields: 'cede al {{angle}} del ángulo y al {{torque}} del torque esperados',
    none: 'ninguna regla aplica',
    steepThenNormal: '{{times}} veces la pendiente un rato, luego normal',
    steepThenBack: '{{times}} veces la pendiente un rato, luego cayó',
    steep: '{{times}} veces la pendiente de la unión',
  },
};
