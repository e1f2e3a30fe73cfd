/** A linear program in CPLEX LP format, built term by term. */
export class Program {
  private readonly objective = new Map<string, number>();
  private readonly constraints: string[] = [];
  private readonly binaries = new Set<string>();
  private readonly free = new Set<string>();

  binary(name: string, cost = 0): string {
    this.binaries.add(name);
    this.add(name, cost);
    return name;
  }

  /** A variable from 0 up. */
  amount(name: string, cost = 1): string {
    this.free.add(name);
    this.add(name, cost);
    return name;
  }

  private add(name: string, cost: number): void {
    this.objective.set(name, (this.objective.get(name) ?? 0) + cost);
  }

  constrain(terms: readonly (readonly [number, string])[], relation: '<=' | '>=' | '=', right: number): void {
    this.constraints.push(`${this.sum(terms)} ${relation} ${right}`);
  }

  private sum(terms: readonly (readonly [number, string])[]): string {
    return terms.map(([factor, name]) => `${factor < 0 ? '-' : '+'} ${Math.abs(factor)} ${name}`).join(' ');
  }

  text(): string {
    const objective = this.sum([...this.objective].map(([name, cost]) => [cost, name] as const));
    return [
      'Minimize',
      ` obj: ${objective}`,
      'Subject To',
      ...this.constraints.map((constraint, index) => ` c${index}: ${constraint}`),
      'Binary',
      ` ${[...this.binaries].join(' ')}`,
      'End',
    ].join('\n');
  }
}
