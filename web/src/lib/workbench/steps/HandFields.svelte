<script lang="ts">
  import { FINGER_PAIRS, type FingerPair, type WholeSetup } from '@oculon/core';

  interface Props {
    setup: WholeSetup;
    /** Takes the change over; false when it cannot be. */
    change: (part: Partial<WholeSetup>) => boolean;
  }
  const { setup, change }: Props = $props();

  let problem = $state('');

  const measure = (pair: FingerPair, text: string) => {
    const { [pair]: _, ...others } = setup.spans ?? {};
    const spans = text.trim() === '' ? others : { ...others, [pair]: Number(text) };
    const taken = change({ spans: Object.keys(spans).length > 0 ? spans : undefined });
    problem = taken ? '' : 'A span from 10 to 200 mm.';
  };
</script>

<p class="text-xs opacity-75">
  Fingertip to fingertip along the neck, as far as it opens without strain, in mm. Pairs left empty follow the
  others.
</p>
<div class="mt-1 grid grid-cols-3 gap-2">
  {#each FINGER_PAIRS as pair (pair)}
    <label class="text-xs"
      >{pair}
      <input
        class="input input-xs"
        inputmode="numeric"
        value={setup.spans?.[pair] ?? ''}
        placeholder="mm"
        onchange={(event) => measure(pair, event.currentTarget.value)}
      /></label
    >
  {/each}
</div>
{#if problem}<p class="text-xs text-error">{problem}</p>{/if}
{#if setup.spans}
  <button class="btn btn-ghost btn-xs mt-1" onclick={() => change({ spans: undefined })}
    >Forget the measures</button
  >
{/if}
