import type { Translation } from '../language';
import type { orderErrors as english } from '../en/orderErrors';

export const orderErrors: Translation<typeof english> = {
  ORDER_CHANGED: {
    message: '{{by}} lo cambió mientras tanto ({{at}}).',
    fix: 'Lo que escribió sigue aquí. Mire ambos y conserve uno.',
  },
  ERASE_OPEN: {
    message: 'Esta orden aún no se entrega.',
    fix: 'Entréguela primero y luego borre al cliente.',
  },
  ORDER_NUMBER_TAKEN: {
    message: 'La OR {{number}} ya existe.',
    fix: 'Ábrala o use otro número.',
  },
  ORDER_STATE: {
    message: 'La orden no puede pasar a «{{state}}»: {{why}}.',
    fix: 'Resuelva eso primero.',
  },
  TOOL_CHANGED: {
    message: '{{by}} cambió esta herramienta mientras tanto.',
    fix: 'Lo que escribió sigue aquí. Recargue la lista y escríbalo otra vez.',
  },
  TOOL_RANGE: {
    message: 'El mínimo debe ser menor que el máximo, y la división menor que ambos.',
    fix: 'Léalos otra vez en el torquímetro.',
  },
  CHECK_SCALE: {
    message: 'La escala de este torquímetro cambió desde la verificación.',
    fix: 'Verifíquelo otra vez con su escala actual.',
  },
  CHECK_DAY: {
    message: 'Una verificación no puede ser futura, y la siguiente vence después de ella.',
    fix: 'Corrija las fechas.',
  },
  PHOTO_KIND: {
    message: 'Las fotos deben ser JPEG, PNG o WebP.',
    fix: 'Tome una foto o convierta la imagen.',
  },
  TRACE_BROKEN: {
    message: 'La curva de este apriete no llegó completa.',
    fix: 'Este dispositivo la vuelve a enviar. El valor está guardado.',
  },
  PHOTO_BROKEN: {
    message: 'Esta foto no llegó completa.',
    fix: 'Este dispositivo la vuelve a enviar.',
  },
};
