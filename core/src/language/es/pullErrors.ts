import type { Translation } from '../language';
import type { pullErrors as english } from '../en/pullErrors';

export const pullErrors: Translation<typeof english> = {
  NOT_NEXT: {
    message: 'Eso no sigue. Sigue: {{next}}.',
    fix: 'Haga lo que muestra la pantalla, o vuelva atrás primero.',
  },
  WRONG_FASTENER: {
    message:
      'Sigue el tornillo {{expected}}, no el {{got}}. Fuera de orden, la pieza cierra dispareja.',
    fix: 'Vaya al {{expected}}.',
  },
  READING_TOO_MUCH: {
    message: '{{reading}} es demasiado.',
    fix: 'Revise el número y la unidad. Si de verdad fue tanto, confírmelo: el trabajo se detiene ahí.',
  },
  STRIPE_BEHIND: {
    message:
      'La marca estaba a {{before}}° antes de esta etapa. A {{value}}° el perno habría girado hacia atrás.',
    fix: 'Lea la marca otra vez desde donde se pintó. Si el perno giró hacia atrás, aflójelo o ponga uno nuevo.',
  },
  STRIPE_UNREADABLE: {
    message: 'La marca no distingue las etapas: faltó medir un ángulo anterior.',
    fix: 'Afloje el perno o ponga uno nuevo.',
  },
  STEP_STOPS: {
    message: 'Esta respuesta detiene el trabajo.',
    fix: 'Corríjalo y conteste otra vez, o pregunte al jefe.',
  },
  TEMPERATURE_IMPLAUSIBLE: {
    message: '{{celsius}} °C no está cerca de {{wanted}} °C.',
    fix: 'Mida en la pieza misma y escríbalo otra vez.',
  },
  LENGTH_IMPLAUSIBLE: {
    message:
      '{{length}} mm no corresponde al tornillo {{fastener}}: uno nuevo mide unos {{usual}} mm.',
    fix: 'Mida otra vez. Si de verdad mide eso, es la pieza equivocada.',
  },
  LENGTH_TOO_CLOSE: {
    message:
      'El tornillo {{fastener}} está muy cerca de su límite de {{most}} mm para decidir con ±{{resolution}} mm.',
    fix: 'Use un instrumento más exacto o ponga uno nuevo.',
  },
  FASTENER_NOT_THERE: {
    message: 'El tornillo {{fastener}} no está: no se puso, se omitió o se cambió.',
    fix: 'Elija uno del mapa.',
  },
  WRONG_STAGE: {
    message: 'La etapa «{{expected}}» no está hecha en todos.',
    fix: 'Termínela primero.',
  },
  WRONG_PASS: {
    message: 'Esta entrada es de la pasada {{got}}; va la {{expected}}.',
    fix: 'Confirme lo que muestra la pantalla.',
  },
  WRONG_OUTCOME: {
    message: 'Ese no puede ser el resultado de este apriete.',
    fix: 'Elija una de las respuestas.',
  },
  READING_IMPLAUSIBLE: {
    message: '{{value}} no es posible en este apriete.',
    fix: 'Lea otra vez el instrumento y escriba lo que muestra.',
  },
  READING_UNIT: {
    message: 'Escriba la lectura en {{expected}}.',
    fix: 'Use la unidad indicada.',
  },
  DRY_FIRST_TORQUE: {
    message: 'El perno no giró en el primer torque. Revise si está cruzado o llegó al fondo.',
    fix: 'Revíselo y confirme que lo hizo.',
  },
  NOTE_NEEDED: {
    message: 'Escriba qué sostiene la pieza.',
    fix: 'No afloje nada que pueda caer antes de sostenerlo.',
  },
  ANSWERS_NEEDED: {
    message: 'Cada uno de los {{count}} lugares necesita respuesta.',
    fix: 'Revise cada uno y confirme.',
  },
  WRENCH_OUT_OF_RANGE: {
    message:
      '{{wrench}} va de {{min}} a {{max}}; esta etapa pide {{target}}. Fuera de su rango el clic no vale.',
    fix: 'Use otro torquímetro.',
  },
  WRENCH_OUT_OF_CALIBRATION: {
    message: '{{wrench}}: calibración vencida el {{until}}.',
    fix: 'Use otro torquímetro o haga revisar este.',
  },
  WRENCH_UNKNOWN: {
    message: 'Este torquímetro no coincide con la lista del taller.',
    fix: 'Recargue el trabajo y elíjalo otra vez.',
  },
  LEVER_UNKNOWN: {
    message: 'Falta el largo de {{wrench}}; no se puede calcular un adaptador.',
    fix: 'Escriba su largo en Herramientas o trabaje sin adaptador.',
  },
  NO_LEVER: {
    message: 'Tan doblado hacia atrás, el adaptador no deja palanca.',
    fix: 'Gire el adaptador hacia adelante o use uno más corto.',
  },
  METHOD_NOT_ALLOWED: {
    message: 'No use {{method}} en esta etapa.',
    fix: 'Elija una de las herramientas mostradas.',
  },
  SETTING_WRONG: {
    message: 'Ajuste la escala a {{expected}}, no a {{got}}.',
    fix: 'Ajuste el torquímetro al número mostrado y confirme.',
  },
  ONE_TIME_USE: {
    message: 'Este perno es de un solo uso. El apriete lo estiró para siempre.',
    fix: 'Ponga uno nuevo y confirme. Solo el jefe puede aprobar uno usado.',
  },
  OWN_HOLE_ONLY: {
    message: '{{fastener}} solo se reutiliza en su propio agujero.',
    fix: 'Póngalo en su agujero o use uno nuevo.',
  },
  LENGTH_NEEDED: {
    message: '{{fastener}} solo se reutiliza si no se alargó.',
    fix: 'Mida su largo y escríbalo, o use uno nuevo.',
  },
  TOO_LONG: {
    message: 'El perno {{fastener}} mide {{length}} mm: demasiado. El límite es {{most}} mm.',
    fix: 'Ponga uno nuevo.',
  },
  VALUE_OUT_OF_RANGE: {
    message: '{{value}} está fuera del rango de la hoja: {{range}}.',
    fix: 'Elija un valor del rango.',
  },
  ANSWER_UNKNOWN: {
    message: '«{{answer}}» no es respuesta de este paso.',
    fix: 'Elija una de las respuestas.',
  },
  MEASUREMENTS_NEEDED: {
    message_one: 'Escriba {{count}} medida.',
    message_other: 'Escriba {{count}} medidas.',
    fix: 'Mida y escriba cada valor.',
  },
  DEFER_NOT_ALLOWED: {
    message: 'Este paso no se puede dejar para entonces.',
    fix: 'Hágalo ahora o déjelo para un paso posterior que no sea punto de control.',
  },
  PENDING_NOT_ALLOWED: {
    message: 'El jefe no puede decidir esto después: no se podría corregir sin pieza nueva.',
    fix: 'Elija una opción o pregunte al jefe ahora.',
  },
  NOT_LEAD: {
    message: 'Solo el jefe de taller puede aprobar esto.',
    fix: 'Pida al jefe que apruebe con su propio PIN.',
  },
  STATEMENT_USED: {
    message: 'Esta aprobación ya se usó.',
    fix: 'Continúe.',
  },
  STATEMENT_ABOUT_NOTHING: {
    message: 'Nada abierto corresponde a esta aprobación.',
    fix: 'Revise el trabajo otra vez.',
  },
  ASIDE_NOT_POSSIBLE: {
    message: '{{fastener}} ya no se puede dejar para después. Es el único que falta.',
    fix: 'Apriételo, cámbielo, pida al jefe omitirlo o pause el trabajo.',
  },
  ANGLE_TOGETHER: {
    message: 'Confirme los ángulos uno por uno. Un perno olvidado parece hecho.',
    fix: 'Confirme cada perno.',
  },
  CLOCK_PASSED: {
    message: 'Pasaron {{minutes}} minutos: {{what}}.',
    fix: 'Si se hizo a tiempo, diga cuándo. Si no, limpie y repita ese paso.',
  },
  TOO_EARLY: {
    message: 'La espera no ha terminado.',
    fix: 'Espere y confirme.',
  },
  NOT_THAT_WARM: {
    message: 'Aún {{celsius}} °C. Espere a {{wanted}} °C.',
    fix: 'Mida otra vez más tarde.',
  },
  NOT_SEATED: {
    message: 'La holgura es {{gap}}: aún no asienta.',
    fix: 'Siga metiéndolo o busque qué lo detiene.',
  },
  DONE_AT_WRONG: {
    message: 'Esa hora está en el futuro.',
    fix: 'Escriba cuándo se hizo.',
  },
  INSTANCE_UNKNOWN: {
    message: 'Esta hoja no tiene «{{instance}}».',
    fix: 'Elija cuál va a apretar.',
  },
  CRANK_BLOCKED: {
    message: '«{{instance}}» no está terminado en esta posición del cigüeñal.',
    fix: 'Termínelo y luego gire el cigüeñal.',
  },
  UNDO_NOTHING: {
    message: 'Nada que deshacer.',
    fix: 'Continúe.',
  },
  UNDO_NOT_LAST: {
    message: 'Solo se puede deshacer la última entrada.',
    fix: 'Deshaga una entrada a la vez.',
  },
  CORRECT_NOT_A_PULL: {
    message: 'Solo se puede corregir un apriete.',
    fix: 'Mejor deshaga la entrada.',
  },
  REPLACEMENT_WRONG: {
    message: 'El repuesto aquí es {{expected}}.',
    fix: 'Confirme el que se muestra.',
  },
  REQUIRES_ALL: {
    message: 'Cada tornillo necesita respuesta.',
    fix: 'Conteste los que faltan.',
  },
};
