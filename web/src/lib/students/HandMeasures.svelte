<script lang="ts">
  import { FINGER_PAIRS, type FingerPair } from '@oculon/core';

  interface Props {
    readonly spans: Readonly<Partial<Record<FingerPair, number>>>;
    readonly problems: Readonly<Record<string, string>>;
  }
  const { spans, problems }: Props = $props();
  const NAMES: Readonly<Record<FingerPair, string>> = {
    '1-2': '1 to 2',
    '2-3': '2 to 3',
    '3-4': '3 to 4',
    '1-3': '1 to 3',
    '2-4': '2 to 4',
    '1-4': '1 to 4',
  };
</script>

<fieldset>
  <legend class="text-sm font-medium">Measured spans in mm</legend>
  <p class="text-xs opacity-70">
    What opens without strain; leave open what you did not measure.
    <a class="link" href="/students/measure">How to measure</a>
  </p>
  <div class="mt-2 grid grid-cols-3 gap-2">
    {#each FINGER_PAIRS as pair (pair)}
      <label class="block text-xs">
        {NAMES[pair]}
        <input
          class={['input input-sm mt-1 w-full', problems[`spans.${pair}`] && 'input-error']}
          type="number"
          min="10"
          max="200"
          step="1"
          name="span-{pair}"
          defaultValue={spans[pair] ?? ''}
        />
        {#if problems[`spans.${pair}`]}<span class="text-error">{problems[`spans.${pair}`]}</span>{/if}
      </label>
    {/each}
  </div>
</fieldset>
