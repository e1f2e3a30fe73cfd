import { ask, type Answer, type Question } from './ask.ts';

/** Cookies that an answer sets, as a browser would send them back; those taken away are left out. */
const cookiesOf = ({ headers }: Answer): ReadonlyMap<string, string> => {
  const set = headers['set-cookie'] ?? [];
  return new Map(
    (Array.isArray(set) ? set : [set]).flatMap((each) => {
      const [pair] = each.split(';');
      const at = pair!.indexOf('=');
      return [[pair!.slice(0, at), pair!.slice(at + 1)] as const];
    }),
  );
};

/** Somebody with a browser of their own: cookies are kept, and sent along. */
export class Visitor {
  readonly cookies = new Map<string, string>([['oculon-left', 'yes']]);

  async ask(question: Question): Promise<Answer> {
    const cookie = [...this.cookies].map(([name, value]) => `${name}=${value}`).join('; ');
    const answer = await ask({ ...question, headers: { cookie, ...question.headers } });
    for (const [name, value] of cookiesOf(answer))
      if (value === '') this.cookies.delete(name);
      else this.cookies.set(name, value);
    return answer;
  }

  /** Sends a form; an answer that leads on has status 303. */
  form(path: string, fields: Readonly<Record<string, string>>, headers = {}): Promise<Answer> {
    return this.ask({
      method: 'POST',
      path,
      headers: { 'content-type': 'application/x-www-form-urlencoded', accept: 'text/html', ...headers },
      body: new URLSearchParams(fields).toString(),
    });
  }

  signIn(email: string, password: string): Promise<Answer> {
    return this.form('/sign-in?/in', { email, password });
  }
}
