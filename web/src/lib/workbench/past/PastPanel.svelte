<script lang="ts">
  import type { Score } from '@oculon/core';
  import { History, X } from '@lucide/svelte';
  import { untrack } from 'svelte';
  import { touchedLabel } from '../../library/names.ts';
  import { editWords } from './past-words.ts';
  import type { Past, Save } from './past.svelte.ts';

  /** What was done, the latest first; each state can be looked at, brought back and named. */
  const { past, score, ondone }: { past: Past; score: Score; ondone: () => void } = $props();

  /** So many are shown before one asks for more. */
  const PAGE = 40;
  let count = $state(PAGE);
  let naming = $state<number>();
  let name = $state('');
  const shown = $derived(past.saves?.slice(0, count) ?? []);
  const now = new Date();
  const changed = $derived(past.shown?.notes.length ?? 0);

  // What is decided meanwhile is told too.
  $effect(() => {
    if (past.isBehind) untrack(() => void past.open());
  });

  const time = ({ at }: Save): string =>
    at.toLocaleTimeString('en', { hour: '2-digit', minute: '2-digit', hour12: false });
  const restore = ({ revision }: Save): void => {
    past.restore(revision);
    ondone();
  };
</script>

<section aria-labelledby="past-name" data-testid="past" class="space-y-2 text-sm">
  <header class="flex items-center justify-between">
    <h2 id="past-name" class="flex items-center gap-2 text-lg">
      <History class="size-4" aria-hidden="true" /> What was done
    </h2>
    <button class="btn btn-ghost btn-sm btn-square" aria-label="Close" onclick={() => past.close()}
      ><X class="size-4" /></button
    >
  </header>
  {#if past.problem}<p role="alert" class="text-error">{past.problem}</p>{/if}
  {#if past.isLoading && !past.saves}
    <p role="status">Fetching what was done …</p>
  {:else if past.saves?.length === 0}
    <p>Nothing has been decided yet.</p>
  {:else}
    <ol class="space-y-2" aria-label="What was done, the latest first">
      {#each shown as save, index (save.revision)}
        <li class="rounded border border-base-300 p-2">
          <p class="text-xs opacity-80">
            <time datetime={save.at.toISOString()}>{touchedLabel(save.at, now)}, {time(save)}</time>
            {#if save.label}<span class="badge badge-sm">{save.label}</span>{/if}
            {#if index === 0}<span>· as it stands</span>{/if}
          </p>
          <p>{editWords(score, save.edits)}</p>
          <div class="mt-1 flex flex-wrap gap-1">
            {#if index > 0}
              <button
                class="btn btn-xs"
                aria-pressed={past.shownRevision === save.revision}
                onclick={() => past.show(past.shownRevision === save.revision ? undefined : save.revision)}
                >{past.shownRevision === save.revision ? 'Look at the plan again' : 'Look at it'}</button
              >
              <button class="btn btn-xs" onclick={() => restore(save)}>Bring it back</button>
            {/if}
            {#if save.label}
              <button class="btn btn-ghost btn-xs" onclick={() => past.label(save.revision, null)}
                >Take the label off</button
              >
            {:else if naming === save.revision}
              <form
                class="flex gap-1"
                onsubmit={(event) => {
                  event.preventDefault();
                  naming = undefined;
                  void past.label(save.revision, name);
                }}
              >
                <input
                  class="input input-xs w-40"
                  aria-label="Label"
                  placeholder="before the lesson in May"
                  required
                  maxlength="100"
                  bind:value={name}
                />
                <button class="btn btn-xs">Label</button>
              </form>
            {:else}
              <button
                class="btn btn-ghost btn-xs"
                onclick={() => {
                  naming = save.revision;
                  name = '';
                }}>Label …</button
              >
            {/if}
          </div>
          {#if past.shownRevision === save.revision}
            <p role="status" class="mt-1 text-xs">
              {changed === 0
                ? 'Every note was taken as it is now.'
                : `On the sheet: ${changed === 1 ? 'one note was' : `${changed} notes were`} taken otherwise.`}
            </p>
          {/if}
        </li>
      {/each}
    </ol>
    {#if past.saves && past.saves.length > count}
      <button class="btn btn-sm" onclick={() => (count += PAGE)}>Earlier</button>
    {/if}
  {/if}
</section>
