<script lang="ts">
  import {
    FEELINGS,
    feelingName,
    LOG_BOUNDS,
    painCare,
    painName,
    PAINS,
    type LogEntry,
    type Wording,
  } from '@oculon/core';
  import type { PractisingWords } from './practising-words.ts';

  interface Props {
    entry: LogEntry;
    wording: Wording;
    words: PractisingWords;
    onchange: (entry: LogEntry) => void;
  }
  const { entry, wording, words, onchange }: Props = $props();
  const wholeMinutes = (text: string): number | null =>
    text.trim() === '' ? null : Math.min(LOG_BOUNDS.minutes, Math.max(0, Math.round(Number(text) || 0)));
</script>

<fieldset>
  <legend class="text-sm font-medium">{words.howDidItFeel}</legend>
  <div class="join mt-1">
    {#each FEELINGS as felt (felt)}
      <button
        type="button"
        class={[
          'btn join-item border-base-300 bg-base-100',
          entry.felt === felt && 'border-primary bg-primary text-primary-content',
        ]}
        aria-pressed={entry.felt === felt}
        onclick={() => onchange({ ...entry, felt: entry.felt === felt ? null : felt })}
        >{feelingName(wording, felt)}</button
      >
    {/each}
  </div>
</fieldset>
<label class="block">
  <span class="text-sm font-medium">{words.didItHurt}</span>
  <select
    class="select mt-1 w-full"
    value={entry.pain ?? ''}
    onchange={({ currentTarget: { value } }) =>
      onchange({ ...entry, pain: PAINS.find((pain) => pain === value) ?? null })}
  >
    <option value="">{words.no}</option>
    {#each PAINS as pain (pain)}<option value={pain}>{painName(wording, pain)}</option>{/each}
  </select>
</label>
{#if entry.pain !== null}<p role="alert" class="border-l-4 border-warning pl-3 text-sm">
    {painCare(wording)}
  </p>{/if}
<div class="flex gap-3">
  <label class="w-24">
    <span class="text-sm font-medium">{words.howLong}</span>
    <input
      class="input mt-1 w-full"
      type="number"
      inputmode="numeric"
      min="0"
      max={LOG_BOUNDS.minutes}
      value={entry.minutes ?? ''}
      onchange={({ currentTarget: { value } }) => onchange({ ...entry, minutes: wholeMinutes(value) })}
    />
  </label>
  <label class="grow">
    <span class="text-sm font-medium">{words.remark}</span>
    <input
      class="input mt-1 w-full"
      maxlength={LOG_BOUNDS.remark}
      value={entry.remark}
      onchange={({ currentTarget: { value } }) => onchange({ ...entry, remark: value })}
    />
  </label>
</div>
