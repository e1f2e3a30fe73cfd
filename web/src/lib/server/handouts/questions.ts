import type pg from 'pg';
import * as z from 'zod';
import type { Queryable } from '../database/database.ts';
import {
  fingeringIdSchema,
  pieceIdSchema,
  questionIdSchema,
  type FingeringId,
  type HandoutId,
  type QuestionId,
  type StudentId,
  type TeacherId,
} from '../ids.ts';

/** Questions that one page may ask in an hour, and altogether: more is no student. Our own values. */
const MOST_QUESTIONS = { hour: 20, all: 300 } as const;

const questionSchema = z.object({
  id: questionIdSchema,
  recipient: z.string(),
  bar: z.int(),
  body: z.string(),
  askedAt: z.date(),
  readAt: z.date().nullable(),
});
export type AskedQuestion = z.infer<typeof questionSchema>;

/** Keeps a question from a page; false when the page has asked too much. */
export const insertQuestion = async (
  pool: pg.Pool,
  teacher: TeacherId,
  handout: HandoutId,
  bar: number,
  body: string,
): Promise<boolean> => {
  const { rowCount } = await pool.query(
    `insert into questions (teacher_id, handout_id, bar, body)
     select $1, $2, $3, $4
     where (select count(*) from questions where teacher_id = $1 and handout_id = $2) < $5
       and (select count(*) from questions
            where teacher_id = $1 and handout_id = $2 and asked_at > now() - interval '1 hour') < $6`,
    [teacher, handout, bar, body, MOST_QUESTIONS.all, MOST_QUESTIONS.hour],
  );
  return rowCount === 1;
};

/** What was asked about a version, what is new first. */
export const listQuestions = async (
  client: Queryable,
  teacher: TeacherId,
  fingering: FingeringId,
): Promise<AskedQuestion[]> => {
  const { rows } = await client.query(
    `select question.id, recipient, bar, body, asked_at as "askedAt", read_at as "readAt"
     from questions as question
     join handouts as handout on handout.teacher_id = question.teacher_id and handout.id = question.handout_id
     where question.teacher_id = $1 and handout.fingering_id = $2
     order by read_at nulls first, asked_at desc`,
    [teacher, fingering],
  );
  return z.array(questionSchema).parse(rows);
};

const studentQuestionSchema = questionSchema.omit({ recipient: true }).extend({
  /** The number of the bar as it is printed. */
  label: z.string(),
  title: z.string(),
  pieceId: pieceIdSchema,
  fingeringId: fingeringIdSchema,
});

/** What a student has asked and nobody has read yet, whatever the piece, the oldest first. */
export const listStudentQuestions = async (
  client: Queryable,
  teacher: TeacherId,
  student: StudentId,
): Promise<z.infer<typeof studentQuestionSchema>[]> => {
  const { rows } = await client.query(
    `select question.id, bar, body, asked_at as "askedAt", read_at as "readAt", piece.title, piece.id as "pieceId",
       version.id as "fingeringId",
       coalesce(nullif(content->'score'->'bars'->bar->>'number', ''), '#' || (bar + 1)) as label
     from questions as question
     join handouts as handout on handout.teacher_id = question.teacher_id and handout.id = question.handout_id
     join fingerings as version on version.teacher_id = handout.teacher_id and version.id = handout.fingering_id
     join pieces as piece on piece.teacher_id = version.teacher_id and piece.id = version.piece_id
     where question.teacher_id = $1 and handout.student_id = $2 and read_at is null
     order by asked_at`,
    [teacher, student],
  );
  return z.array(studentQuestionSchema).parse(rows);
};

/** Notes that a question was read, or takes that back; false when the teacher has no such question. */
export const markRead = async (
  client: Queryable,
  teacher: TeacherId,
  question: QuestionId,
  isRead: boolean,
): Promise<boolean> => {
  const { rowCount } = await client.query(
    `update questions set read_at = case when $3 then coalesce(read_at, now()) end where teacher_id = $1 and id = $2`,
    [teacher, question, isRead],
  );
  return rowCount === 1;
};
