import { describe, expect, it } from 'vitest';
import { Outdated, questionsTo, troubleText } from './asking.ts';

/** A planner that answers when it is told to. */
const planner = () => {
  const waiting: { name: string; plan: number; number: number; settle: (answer: unknown) => void }[] = [];
  const withdrawn: number[] = [];
  return {
    waiting,
    withdrawn,
    api: {
      ask: (plan: number, number: number, name: string) =>
        new Promise((settle) => waiting.push({ name, plan, number, settle })),
      withdraw: (number: number) => Promise.resolve(void withdrawn.push(number)),
    } as never,
  };
};

describe('asking the planner', () => {
  it('gives the answer that belongs to the plan at hand', async () => {
    const { api, waiting } = planner();
    const asked = questionsTo(api, () => 3).nearTies();
    expect(waiting[0]).toMatchObject({ name: 'nearTies', plan: 3 });
    waiting[0]!.settle({ kind: 'answer', plan: 3, value: [1, 2] });
    expect(await asked).toEqual([1, 2]);
  });

  it('throws away what belongs to another plan, and what nobody needs any more', async () => {
    const { api, waiting } = planner();
    let plan = 3;
    const questions = questionsTo(api, () => plan);
    const late = questions.nearTies();
    plan = 4;
    waiting[0]!.settle({ kind: 'answer', plan: 3, value: [] });
    await expect(late).rejects.toThrow(Outdated);
    const dropped = questions.movements();
    waiting[1]!.settle({ kind: 'outdated' });
    await expect(dropped).rejects.toThrow(Outdated);
  });

  it('takes the same question back when it is asked again', async () => {
    const { api, waiting, withdrawn } = planner();
    const questions = questionsTo(api, () => 1);
    void questions.choices(1).catch(() => undefined);
    void questions.choices(2).catch(() => undefined);
    void questions.pluckChoices(2).catch(() => undefined);
    expect(withdrawn).toEqual([waiting[0]!.number]);
  });

  it('takes a question back when somebody stops it, and only one that is under way', async () => {
    const { api, waiting, withdrawn } = planner();
    const questions = questionsTo(api, () => 1);
    questions.takeBack('otherWays');
    expect(withdrawn).toEqual([]);
    const stopped = questions.otherWays({ from: 0, to: 1 }, false);
    questions.takeBack('otherWays');
    expect(withdrawn).toEqual([waiting[0]!.number]);
    waiting[0]!.settle({ kind: 'outdated' });
    await expect(stopped).rejects.toThrow(Outdated);
    questions.takeBack('otherWays');
    expect(withdrawn).toHaveLength(1);
  });

  it('a panel is told of real trouble alone', () => {
    expect(troubleText(new Outdated('x'), 'It stopped.')).toBe('');
    expect(troubleText(new Error('x'), 'It stopped.')).toBe('It stopped.');
  });
});
