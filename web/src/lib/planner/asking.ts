import type * as Comlink from 'comlink';
import type { PlannerApi } from './api.ts';
import type { Answer, PlanId } from './desk.ts';
import type { QuestionAnswer, QuestionArguments, QuestionName } from './questions.ts';

/** The plan that a question was about is no longer the latest. */
export class Outdated extends Error {
  override readonly name = 'Outdated';
}

/** Questions to the planner about the plan at hand, by name. */
export type PlannerQuestions = {
  readonly [Name in QuestionName]: (...args: QuestionArguments<Name>) => Promise<QuestionAnswer<Name>>;
} & {
  /** Takes the question of a name back that is under way: it is answered as `Outdated`. */
  readonly takeBack: (name: QuestionName) => void;
};

/** What a panel tells when a question fails: nothing where the answer is no longer needed. */
export const troubleText = (error: unknown, text: string): string => (error instanceof Outdated ? '' : text);

let asked = 0;

type Remote = Pick<Comlink.Remote<PlannerApi>, 'ask' | 'withdraw'>;

/**
 * Asks about the plan that `current` names. An answer that belongs to another plan is thrown away as `Outdated`; a question
 * that comes again takes the one before it of its name back.
 */
export const questionsTo = (api: Remote, current: () => PlanId): PlannerQuestions => {
  const running = new Map<QuestionName, number>();
  const ask = async (name: QuestionName, args: readonly unknown[]): Promise<unknown> => {
    const [plan, number] = [current(), (asked += 1)];
    const before = running.get(name);
    if (before !== undefined) void api.withdraw(before);
    running.set(name, number);
    try {
      const answer = (await api.ask(plan, number, name, args as never)) as Answer<unknown>;
      if (answer.kind === 'outdated' || answer.plan !== current()) throw new Outdated(name);
      return answer.value;
    } finally {
      if (running.get(name) === number) running.delete(name);
    }
  };
  const takeBack = (name: QuestionName): void => {
    const number = running.get(name);
    if (number !== undefined) void api.withdraw(number);
  };
  return new Proxy({} as PlannerQuestions, {
    get: (_, name) =>
      name === 'takeBack' ? takeBack : (...args: readonly unknown[]) => ask(name as QuestionName, args),
  });
};
