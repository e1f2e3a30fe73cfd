import type { Language } from '@oculon/core';

const EN = {
  for: 'For',
  from: 'From',
  given: 'Given on',
  opensUntil: 'The link opens until',
  sheet: 'The sheet',
  larger: 'Larger',
  smaller: 'Smaller',
  walkThrough: 'Step by step',
  shapes: 'Shapes',
  remarks: 'From your teacher',
  news: 'What is new',
  ask: 'Ask about this bar',
  question: 'Your question',
  send: 'Send',
  sent: 'Sent. Your teacher sees it at this bar.',
  notSent: 'Not sent: you are offline. Keep this page open and send it again later.',
  tooMany: 'That is a lot of questions at once. Try again in an hour.',
  unreadable: 'This question cannot be read. Write up to 500 letters.',
  offline: 'You are offline. This copy was kept on',
  bar: 'Bar',
  care: 'Stop when it hurts; if it stays, see a doctor or hand therapist.',
} as const;
const ES: Readonly<Record<keyof typeof EN, string>> = {
  for: 'Para',
  from: 'De',
  given: 'Entregado el',
  opensUntil: 'El enlace abre hasta el',
  sheet: 'La partitura',
  larger: 'Más grande',
  smaller: 'Más pequeño',
  walkThrough: 'Paso a paso',
  shapes: 'Formas',
  remarks: 'De tu profesor/a',
  news: 'Lo nuevo',
  ask: 'Preguntar por este compás',
  question: 'Tu pregunta',
  send: 'Enviar',
  sent: 'Enviada. Tu profesor/a la ve en este compás.',
  notSent: 'No enviada: estás sin conexión. Deja la página abierta y envíala más tarde.',
  tooMany: 'Son muchas preguntas a la vez. Prueba dentro de una hora.',
  unreadable: 'Esta pregunta no se puede leer. Escribe hasta 500 letras.',
  offline: 'Estás sin conexión. Esta copia se guardó el',
  bar: 'Compás',
  care: 'Parar si duele; si no se pasa, consultar a un médico o fisioterapeuta de la mano.',
};

/** What the student's page says, in the student's language. */
export const STUDENT_WORDS: Readonly<Record<Language, Readonly<Record<keyof typeof EN, string>>>> = {
  en: EN,
  es: ES,
};
