<script lang="ts">
  import { enhance } from '$app/forms';
  import type { CourseView } from '../practice/course-content.ts';

  interface Note {
    readonly id: string;
    readonly goalId: string | null;
    readonly bar: number | null;
    readonly body: string;
    readonly madeAt: Date;
    readonly doneAt: Date | null;
  }
  interface Props {
    notes: readonly Note[];
    course: CourseView;
    problem: string | undefined;
  }
  const { notes, course, problem }: Props = $props();

  let goal = $state('');
  const labels = $derived(course.goals.find(({ id }) => id === goal)?.practised.labels ?? []);
  const open = $derived(notes.filter(({ doneAt }) => doneAt === null));
  const done = $derived(notes.filter(({ doneAt }) => doneAt !== null));
  const day = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short' });
  const placeOf = ({ goalId, bar }: Note): string => {
    const practised = course.goals.find(({ id }) => id === goalId)?.practised;
    if (!practised) return '';
    return bar === null ? practised.title : `${practised.title}, bar ${practised.labels[bar] ?? bar + 1}`;
  };
</script>

{#snippet row(note: Note)}
  <li class="flex items-baseline gap-2 py-1 text-sm">
    <form method="POST" action="?/done" use:enhance>
      <input type="hidden" name="note" value={note.id} />
      <input type="hidden" name="done" value={note.doneAt === null ? 'yes' : 'no'} />
      <button
        class={['btn btn-xs btn-square', note.doneAt !== null && 'btn-active']}
        aria-label="{note.doneAt === null ? 'Tick off' : 'Open again'}: {note.body}"
        aria-pressed={note.doneAt !== null}>{note.doneAt === null ? '' : '✓'}</button
      >
    </form>
    <span class="grow">
      {#if placeOf(note)}<b>{placeOf(note)}:</b>{/if}
      {note.body}
    </span>
    <span class="text-xs whitespace-nowrap opacity-70">{day.format(note.madeAt)}</span>
    <form method="POST" action="?/drop" use:enhance>
      <input type="hidden" name="note" value={note.id} />
      <button class="btn btn-ghost btn-xs" aria-label="Delete: {note.body}">×</button>
    </form>
  </li>
{/snippet}

<section aria-labelledby="notes-heading">
  <h2 id="notes-heading" class="text-lg">Notes</h2>
  <form method="POST" action="?/note" use:enhance class="mt-2 flex flex-wrap items-end gap-2 text-sm">
    <label
      ><span class="block text-xs">Piece</span>
      <select name="goal" class="select select-sm w-44" bind:value={goal}>
        <option value="">no piece</option>
        {#each course.goals as { id, practised } (id)}<option value={id}>{practised.title}</option>{/each}
      </select></label
    >
    <label
      ><span class="block text-xs">Bar</span>
      <select name="bar" class="select select-sm w-20" disabled={labels.length === 0}>
        <option value="">all</option>
        {#each labels as label, bar (bar)}<option value={bar}>{label}</option>{/each}
      </select></label
    >
    <label class="grow"
      ><span class="block text-xs">Note</span>
      <input name="body" class="input input-sm w-full" required maxlength="1000" autocomplete="off" /></label
    >
    <button class="btn btn-sm btn-primary">Note it</button>
  </form>
  {#if problem}<p role="alert" class="mt-1 text-sm text-error">{problem}</p>{/if}
  <ul class="mt-2 divide-y divide-base-300">
    {#each open as note (note.id)}{@render row(note)}{/each}
  </ul>
  {#if done.length > 0}
    <details class="mt-2">
      <summary class="cursor-pointer text-sm">Done ({done.length})</summary>
      <ul class="divide-y divide-base-300">
        {#each done as note (note.id)}{@render row(note)}{/each}
      </ul>
    </details>
  {/if}
</section>
