<script lang="ts">
  import { barLabel } from '@oculon/core';
  import { untrack } from 'svelte';
  import type { OpenPiece } from '../workbench/open-piece.svelte.ts';

  interface Asked {
    readonly id: string;
    readonly recipient: string;
    readonly bar: number;
    readonly body: string;
    readonly askedAt: Date;
    readonly readAt: Date | null;
  }
  interface Props {
    questions: readonly Asked[];
    piece: OpenPiece;
    onjump: (note: number) => void;
    onread: (question: string) => void;
  }
  const { questions, piece, onjump, onread }: Props = $props();

  let read = $state.raw<ReadonlySet<string>>(
    untrack(() => new Set(questions.filter(({ readAt }) => readAt).map(({ id }) => id))),
  );
  let problem = $state('');
  const open = $derived(questions.filter(({ id }) => !read.has(id)));

  const label = (bar: number): string => {
    const found = piece.score?.bars[bar];
    return found ? barLabel(found) : String(bar + 1);
  };
  const go = (bar: number): void => {
    const note = piece.score?.notes.find((each) => each.bar === bar);
    if (note) onjump(note.index);
  };
  const done = async (id: string): Promise<void> => {
    problem = '';
    try {
      const answer = await fetch(`/api/questions/${id}`, {
        method: 'PATCH',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ read: true }),
      });
      if (!answer.ok) throw new Error();
      read = new Set([...read, id]);
      onread(id);
    } catch {
      problem = 'This could not be saved. Try again when you are online.';
    }
  };
</script>

{#if questions.length > 0}
  <section class="text-sm" data-testid="questions">
    <h3 class="font-serif text-base">Questions ({open.length})</h3>
    {#if open.length === 0}<p class="mt-1 opacity-70">All {questions.length} answered.</p>{/if}
    <ul class="mt-1 space-y-2" aria-label="Questions">
      {#each open as { id, recipient, bar, body, askedAt } (id)}
        <li>
          <button class="link font-semibold" onclick={() => go(bar)}>Bar {label(bar)}</button>
          <span class="opacity-70">{recipient} · {askedAt.toLocaleDateString('en')}</span>
          <p>{body}</p>
          <button class="btn btn-ghost btn-xs" onclick={() => done(id)}>Done</button>
        </li>
      {/each}
    </ul>
    {#if problem}<p role="alert" class="text-error">{problem}</p>{/if}
  </section>
{/if}
