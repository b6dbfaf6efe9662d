import type { Translation } from '@stennet/core/language';
import type { account as english } from '../en/account';

export const account: Translation<typeof english> = {
  nav: 'Principal',
  sections: {
    today: 'Hoy',
    orders: 'Órdenes',
    find: 'Buscar',
    bench: 'Banco',
    shop: 'Taller',
  },
  shop: 'Taller',
  secondText:
    'El jefe de taller u otro técnico también puede firmar cada registro. Una hoja también puede pedirlo por su cuenta.',
  secondOn: '✓ Cada registro lleva una segunda firma',
  secondOff: 'Exigir una segunda firma en cada registro',
  secondOwn: 'Su contraseña, para desactivarlo',
  zone: 'Zona horaria',
  zoneUnknown: 'No existe ese huso horario. Escríbalo como America/Chicago.',
  idle: 'Volver a pedir la contraseña después de',
  idleTimes: {
    15: '15 minutos sin uso',
    60: '1 hora sin uso',
    240: '4 horas sin uso',
    840: 'una jornada',
  },
  retention: 'Borrar nombres, placas y notas de clientes tras la entrega',
  retentionTimes: {
    0: 'nunca',
    24: 'a los 2 años',
    60: 'a los 5 años',
    120: 'a los 10 años',
  },
  witnessText:
    'Guarde un archivo de control en otra computadora. Así podrá probar que no falta ningún registro.',
  witness: 'Guardar archivo de control',
  shopSave: 'Guardar ajustes del taller',
  shopSaved: 'Guardado.',
  product: 'Stennet',
  claim: 'El torque correcto, en el orden correcto, en el registro.',
  name: 'Nombre',
  password: 'Contraseña',
  signIn: 'Iniciar sesión',
  signingIn: 'Iniciando sesión',
  haveCode: 'Tengo un código',
  code: 'Código',
  codePassword: 'Nueva contraseña, mínimo 10 caracteres',
  codeGo: 'Fijar contraseña y entrar',
  noCode: 'Sé mi contraseña',
  offlineTitle: 'No hay conexión con el servidor',
  offlineFirst: 'Conecte este dispositivo a la red del taller y vuelva a intentarlo.',
  retry: 'Reintentar',
  loading: 'Abriendo el taller',
  account: 'Cuenta',
  signedInAs: '{{name}}, {{role}} en {{shop}}',
  otherShops: 'Sus otros talleres',
  goTo: 'Cambiar a {{shop}}',
  light: 'Tema',
  themes: {
    device: 'Auto',
    light: 'Claro',
    dark: 'Oscuro',
  },
  languageTitle: 'Idioma',
  languages: {
    device: 'Auto',
    en: 'English',
    es: 'Español',
  },
  signOut: 'Cerrar sesión',
  unsentKept_one:
    'Falta enviar {{count}} entrada. Queda en este dispositivo y se envía cuando usted vuelva a iniciar sesión aquí.',
  unsentKept_other:
    'Faltan enviar {{count}} entradas. Quedan en este dispositivo y se envían cuando usted vuelva a iniciar sesión aquí.',
  device: 'Este dispositivo',
  startsOffline: 'Funciona sin conexión en este dispositivo.',
  needsServer:
    'Aún no arranca sin conexión. Ábralo una vez más con conexión. En una dirección no segura nunca funciona sin conexión.',
  insecure:
    'En esta dirección la pantalla puede apagarse durante el trabajo y la app no arranca sin conexión. Todo lo demás funciona.',
  newVersion: 'Hay una versión nueva. Actualice cuando no haya un trabajo abierto.',
  takeVersion: 'Actualizar ahora',
  lostTitle: 'Página no encontrada',
  lost: 'No hay nada en esta dirección. Su trabajo está a salvo.',
  toToday: 'Ir a Hoy',
  // clocks
  clocks: 'Relojes en marcha',
  clock: '{{what}}: abrir el trabajo',
  left: 'quedan {{time}}',
  over: '{{time}} de más',
  wait: 'esperar {{time}}',
  waited: 'espera cumplida',
  ending: '{{what}}: el tiempo se acaba.',
  isOver: '{{what}}: se acabó el tiempo.',
  mayGoOn: '{{what}}: ya puede continuar.',
  // shared phone
  bay: 'Teléfono compartido',
  bayText:
    'Inscríbase una vez y luego cambie a su nombre con su PIN. Cada entrada se guarda a nombre de quien la hizo.',
  bayEnrol: 'Inscribirme en este dispositivo',
  bayLeave: 'Quitarme de este dispositivo',
  bayHere: 'Usted está inscrito en este dispositivo.',
  bayTo: 'Cambiar a {{name}}',
  bayPin: 'PIN de {{name}}',
  bayGo: 'Cambiar',
  cancel: 'Cancelar',
  unverified: '{{name}}: sin verificar',
  unverifiedText:
    'El PIN se comprueba cuando vuelva el servidor. Siga trabajando: las entradas se guardan y se envían después.',
  clockFast_one: 'El reloj de este dispositivo va {{count}} minuto adelantado',
  clockFast_other: 'El reloj de este dispositivo va {{count}} minutos adelantado',
  clockSlow_one: 'El reloj de este dispositivo va {{count}} minuto atrasado',
  clockSlow_other: 'El reloj de este dispositivo va {{count}} minutos atrasado',
  clockOffText:
    'Las entradas nuevas tendrían una hora equivocada. Ajuste el reloj del dispositivo. Lo ya registrado no cambia.',
  unsentOf_one: '{{name}} debe iniciar sesión aquí para enviar {{count}} entrada.',
  unsentOf_other: '{{name}} debe iniciar sesión aquí para enviar {{count}} entradas.',
  unsentOfUnknown_one:
    'Alguien que trabajó aquí debe iniciar sesión para enviar {{count}} entrada.',
  unsentOfUnknown_other:
    'Alguien que trabajó aquí debe iniciar sesión para enviar {{count}} entradas.',
  unsentSave: 'Guardar lo no enviado en un archivo',
  unsentRead: 'Cargar entradas de un archivo',
  unsentSaved_one: '{{count}} entrada guardada en el archivo. También queda en este dispositivo.',
  unsentSaved_other:
    '{{count}} entradas guardadas en el archivo. También quedan en este dispositivo.',
  unsentBack_one: '{{count}} entrada cargada.',
  unsentBack_other: '{{count}} entradas cargadas.',
  storageKept: 'El navegador conserva lo guardado en este dispositivo.',
  storageMay:
    'El navegador puede borrar lo guardado si falta espacio. Envíe o guarde lo pendiente antes de dejar el dispositivo.',
  storageFull:
    'Casi no queda espacio en este dispositivo. Libere espacio para poder guardar entradas.',
  storageRefused: 'Este navegador no puede guardar nada',
  storageRefusedText:
    'Es una ventana privada o el almacenamiento está bloqueado. Puede mirar, pero no confirmar: un fallo lo borraría. Abra Stennet en una ventana normal.',
  storageHangs: 'El almacenamiento no responde',
  storageHangsText:
    'No puede confirmar hasta que responda. Cierre otras pestañas de Stennet y reinicie el navegador. Lo del servidor está a salvo.',
  storageCleared_zero: 'El navegador borró este dispositivo',
  storageCleared_one: 'El navegador borró este dispositivo; {{count}} entrada no se envió',
  storageCleared_other: 'El navegador borró este dispositivo; {{count}} entradas no se enviaron',
  storageNothingLost: 'No se perdió nada: el servidor tiene todas las entradas.',
  storageLost:
    'Se guardó de nuevo lo que estaba en pantalla. Revise los últimos tornillos de cada trabajo abierto: al servidor le pueden faltar.',
  insecureTitle: 'Esta dirección no es segura',
  seen: 'Entendido',
  // first visit
  setupTitle: 'Configure su taller',
  setupText:
    'Usted será el jefe de taller y agregará a los demás después. El código se mostró donde se inició Stennet.',
  newShopTitle: 'Configure otro taller',
  newShopText:
    'El código lo da quien lleva el servidor. Usted será el jefe de este taller. Si ya inicia sesión aquí, use el mismo nombre y contraseña.',
  setupCode: 'Código de instalación',
  setupShop: 'Nombre del taller',
  setupPerson: 'Su nombre',
  setupPassword: 'Contraseña, mínimo 10 caracteres',
  setupPaper: 'Tamaño de papel',
  setupPapers: {
    A4: 'A4',
    Letter: 'Carta',
  },
  setupUnit: 'Unidad de torque',
  setupGo: 'Crear taller',
  people: 'Personas, contraseñas y sesiones',
  ownDoors: 'Contraseña y sesiones',
  // PIN
  pin: 'Su PIN',
  pinText:
    'Sirve para cambiar a su nombre en un teléfono compartido. El jefe también aprueba excepciones con él. No lo comparta.',
  pinLabel: 'PIN nuevo, de 4 a 8 dígitos',
  pinPassword: 'Su contraseña',
  pinSave: 'Fijar PIN',
  pinSaved: 'PIN guardado.',
  // what failed
  partMissing: 'Esta pantalla aún no está en el dispositivo',
  partMissingText: 'No hay conexión para cargarla. No se perdió nada. Conéctese y recargue.',
  broke: 'Algo falló en esta pantalla',
  brokeText:
    'El trabajo confirmado está a salvo. Recargue. Si se repite, diga a quien administra el servidor qué hizo por último.',
  loadAgain: 'Recargar',
};
