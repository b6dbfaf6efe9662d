import type { Translation } from '../language';
import type { doorErrors as english } from '../en/doorErrors';

export const doorErrors: Translation<typeof english> = {
  BAD_REQUEST: {
    message: 'El servidor no pudo leer la solicitud ({{where}}).',
    fix: 'Recargue la página. Si se repite, la app está desactualizada.',
  },
  TOO_LARGE: {
    message: 'Es demasiado grande para una solicitud.',
    fix: 'Envíelo en partes más pequeñas.',
  },
  BUSY: {
    message: 'Otra solicitud grande suya sigue en curso.',
    fix: 'Espere a que termine y reintente.',
  },
  NOT_FOUND: {
    message: 'No hay nada en esta dirección.',
    fix: 'Revise el enlace o vuelva a Hoy.',
  },
  SIGN_IN_NEEDED: {
    message: 'Su sesión está cerrada.',
    fix: 'Inicie sesión. Sus entradas están en este dispositivo.',
  },
  SIGN_IN_WRONG: {
    message: 'Nombre o contraseña equivocados.',
    fix: 'Revise ambos y reintente.',
  },
  SIGN_IN_LIMITED: {
    message: 'Demasiados intentos. El acceso está bloqueado {{minutes}} minutos.',
    fix: 'Espere o pregunte al jefe de taller.',
  },
  WRONG_ORIGIN: {
    message: 'La solicitud vino de otro sitio.',
    fix: 'Abra Stennet en su propia dirección.',
  },
  WRONG_HOST: {
    message: 'Este servidor no responde a «{{host}}».',
    fix: 'Abra Stennet en su propia dirección. Para agregar este nombre, inicie el servidor con --hosts.',
  },
  ID_TAKEN: {
    message: 'Ya hay algo guardado con este código.',
    fix: 'Recargue la página: quizá ya se guardó.',
  },
  FORBIDDEN: {
    message: 'Su puesto ({{role}}) no permite esto.',
    fix: 'Pregunte al jefe de taller.',
  },
  WRONG_PERSON: {
    message: 'Otra persona hizo estas entradas.',
    fix: 'Quedan aquí hasta que esa persona inicie sesión y las envíe.',
  },
  OFFLINE: {
    message: 'Sin conexión con el servidor.',
    fix: 'Siga trabajando. Las entradas se guardan aquí y se envían después.',
  },
  INTERNAL: {
    message: 'Algo falló en el servidor.',
    fix: 'Reintente. Si se repite, anote la hora y avise a quien administra el servidor.',
  },
  KEY_MISSING: {
    message: 'Falta la clave de firma del taller en el servidor. No se puede registrar nada.',
    fix: 'Pida a quien administra el servidor que restaure la clave desde una copia.',
  },
  KEY_CHANGED: {
    message:
      'La clave del servidor no es la de los registros de este taller. No se puede registrar nada.',
    fix: 'Pida a quien administra el servidor que restaure la clave correcta.',
  },
  DISK_FULL: {
    message: 'El disco del servidor está lleno.',
    fix: 'Siga trabajando. Las entradas se guardan aquí y se envían después. Avise a quien administra el servidor.',
  },
  STORAGE_HANGS: {
    message: 'El almacenamiento no responde. La última entrada no se guardó.',
    fix: 'Cierre otras pestañas de Stennet y confirme otra vez. Si se repite, reinicie el navegador.',
  },
  STORAGE_FAILED: {
    message: 'Este dispositivo no pudo guardar la última entrada.',
    fix: 'Libere espacio o salga de la navegación privada y confirme otra vez.',
  },
  // a new shop and its people
  SETUP_DONE: {
    message: 'Aquí ya hay un taller configurado.',
    fix: 'Inicie sesión. El jefe agrega personas en la página de cuenta. Para otro taller, pida un código a quien lleva el servidor.',
  },
  SETUP_CODE: {
    message: 'Código de instalación equivocado o ya usado.',
    fix: 'Pregunte a quien lleva el servidor: ./stennet status muestra el primero, ./stennet new-shop hace uno para otro taller. Ese sirve una vez, en 7 días.',
  },
  NAME_TAKEN: {
    message: 'Ya hay una persona llamada {{name}}.',
    fix: 'Agregue un apellido o una inicial.',
  },
  PASSWORD_FORM: {
    message: 'Esta contraseña es fácil de adivinar.',
    fix: 'Use al menos 10 caracteres sin nombres, años ni filas del teclado. Tres palabras sin relación funcionan bien.',
  },
  PASSWORD_NEEDED: {
    message: 'Escriba su contraseña otra vez, {{name}}.',
    fix: 'Luego reintente.',
  },
  CODE_WRONG: {
    message: 'Nombre o código equivocado, o el código venció.',
    fix: 'Un código sirve una vez, durante un día. Pida otro al jefe de taller.',
  },
  CODE_ELSEWHERE: {
    message: 'Esta persona también trabaja en otro taller; un jefe no puede darle un código.',
    fix: 'Puede cambiar su contraseña, o pedir un código a quien administra el servidor.',
  },
  HAS_LEFT: {
    message: 'Usted ya no pertenece a un taller aquí.',
    fix: 'Pregunte al jefe de taller.',
  },
  LAST_LEAD: {
    message: 'El taller necesita al menos un jefe.',
    fix: 'Nombre primero a otro jefe.',
  },
  NOT_ENROLLED: {
    message: 'Esta persona no está inscrita en este dispositivo.',
    fix: 'Debe iniciar sesión aquí una vez e inscribirse.',
  },
};
