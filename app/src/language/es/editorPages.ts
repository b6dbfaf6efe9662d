import type { Translation } from '@stennet/core/language';
import type { editorPages as english } from '../en/editorPages';

export const editorPages: Translation<typeof english> = {
  pageOf: 'Página {{n}}',
  noPage:
    'Pegue o suelte una imagen o un PDF de la página, o elija un archivo. Queda aquí mientras escribe y se guarda con la revisión.',
  addPage: 'Agregar una página',
  removePage: 'Quitar la página',
  keepPage: 'Guardar esta página',
  cancelPdf: 'Cerrar el PDF',
  leaf: 'Página {{n}} de {{of}} del PDF',
  leafAt: '{{n}} de {{of}}',
  leafBack: 'Página anterior',
  leafOn: 'Página siguiente',
  pagesWait_one: '{{count}} página está solo en este dispositivo. Se envía cuando haya conexión.',
  pagesWait_other:
    '{{count}} páginas están solo en este dispositivo. Se envían cuando haya conexión.',
  pageProblems: {
    kind: 'Las páginas deben ser JPEG, PNG, WebP o PDF.',
    pdf: 'No se puede abrir este PDF. Si está bloqueado, imprímalo a un PDF nuevo. Para abrirlo hace falta el servidor.',
    tooMany: 'Una hoja guarda hasta 8 páginas. Quite una primero.',
    refused: 'El servidor rechazó esta imagen. Tómela otra vez.',
  },
  sortStages: 'Orden de las etapas',
  sortSteps: 'Orden de los pasos',
  sortBolts: 'Orden de apriete',
  sortHandle: 'Mover {{what}}',
  sortHow: 'asa para arrastrar',
  sortHelp:
    'Pulse Espacio para levantarlo, muévalo con las flechas y pulse Espacio para soltarlo. Escape lo devuelve.',
  sortLifted: 'Levantado {{what}}, lugar {{n}} de {{of}}.',
  sortAt: '{{what}} en el lugar {{n}} de {{of}}.',
  sortDropped: 'Soltado. {{at}}',
  sortLeft: 'Devuelto: {{what}}, lugar {{n}} de {{of}}.',
};
