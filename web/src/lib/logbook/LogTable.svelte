<script lang="ts">
  import {
    dayName,
    feelingName,
    outcomeName,
    painName,
    readDay,
    workName,
    type Day,
    type NamedGoal,
  } from '@oculon/core';
  import type { LoggedEntry } from '../practice/course-content.ts';
  import { wording } from '../words.ts';
  import EntryForm from './EntryForm.svelte';

  interface Props {
    named: readonly NamedGoal[];
    entries: readonly LoggedEntry[];
    today: Day;
    page: number;
    /** Earlier writings of an entry, when one was asked for. */
    writings: readonly {
      readonly entry: Pick<LoggedEntry, 'minutes' | 'tempo' | 'outcome' | 'remark'>;
      readonly withdrawn: boolean;
      readonly byTeacher: boolean;
      readonly loggedAt: Date;
    }[];
  }
  const { named, entries, today, page, writings }: Props = $props();

  let corrected = $state<string>();
  const at = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' });
</script>

<div class="overflow-x-auto">
  <table class="table table-sm">
    <thead
      ><tr><th>Day</th><th>What</th><th>Min</th><th>♩</th><th>Went</th><th>Felt</th><th>Pain</th><th></th></tr
      ></thead
    >
    <tbody>
      {#each entries as entry, index (entry.id)}
        {#if corrected === entry.id}
          <tr
            ><td colspan="8"
              ><EntryForm {named} works={[]} {today} {entry} onclose={() => (corrected = undefined)} /></td
            ></tr
          >
        {:else}
          <tr>
            <td class="whitespace-nowrap"
              >{entry.day === entries[index - 1]?.day
                ? ''
                : dayName(wording, readDay(entry.day)!, 'short')}</td
            >
            <td>
              {workName(wording, named, entry.work)}
              {#if entry.remark}<p class="text-xs italic">{entry.remark}</p>{/if}
              {#if entry.isCorrected}<a class="link text-xs" href="?page={page}&entry={entry.id}#writings"
                  >corrected</a
                >{/if}
              {#if entry.byTeacher}<span class="text-xs opacity-70">written by you</span>{/if}
            </td>
            <td class="tabular-nums">{entry.minutes ?? ''}</td>
            <td class="tabular-nums">{entry.tempo === null ? '' : Math.round(entry.tempo)}</td>
            <td class="whitespace-nowrap">{entry.outcome ? outcomeName(wording, entry.outcome) : ''}</td>
            <td>{entry.felt ? feelingName(wording, entry.felt) : ''}</td>
            <td class="text-error">{entry.pain ? painName(wording, entry.pain) : ''}</td>
            <td
              ><button class="btn btn-ghost btn-xs" onclick={() => (corrected = entry.id)}>Correct</button
              ></td
            >
          </tr>
        {/if}
      {/each}
    </tbody>
  </table>
</div>
{#if writings.length > 0}
  <section id="writings" class="mt-3 rounded-box border border-base-300 p-3 text-sm">
    <h3 class="font-medium">How this entry was written</h3>
    <ol class="mt-1 list-decimal pl-5">
      {#each writings as { entry, withdrawn, byTeacher, loggedAt }, index (index)}
        <li>
          {at.format(loggedAt)}, {byTeacher ? 'by you' : 'by the student'}:
          {withdrawn
            ? 'taken out'
            : [
                entry.minutes === null ? '' : `${entry.minutes} min`,
                entry.tempo === null ? '' : `♩ = ${Math.round(entry.tempo)}`,
                entry.outcome ? outcomeName(wording, entry.outcome) : '',
                entry.remark,
              ]
                .filter(Boolean)
                .join(', ') || 'nothing said'}
        </li>
      {/each}
    </ol>
  </section>
{/if}
