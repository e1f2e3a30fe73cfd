<script lang="ts">
  import { LEFT_WEIGHT_NAMES, WEIGHT_RANGE, type LeftWeight, type WholeSetup } from '@oculon/core';
  import { say } from '../../words.ts';

  interface Props {
    setup: WholeSetup;
    change: (part: Partial<WholeSetup>) => boolean;
  }
  const { setup, change }: Props = $props();

  /** Sliders move in doublings: the middle leaves the school as it is. */
  const most = Math.log2(WEIGHT_RANGE[1]);
  const at = (weight: LeftWeight) => Math.log2(setup.weights?.[weight] ?? 1);
  const words = (weight: LeftWeight) => {
    const step = at(weight);
    if (step === 0) return 'as the school has it';
    return step > 0 ? `avoided more (×${2 ** step})` : `minded less (×${2 ** step})`;
  };
  const weigh = (weight: LeftWeight, step: number) => {
    const { [weight]: _, ...others } = setup.weights ?? {};
    const weights = step === 0 ? others : { ...others, [weight]: 2 ** step };
    change({ weights: Object.keys(weights).length > 0 ? weights : undefined });
  };
</script>

<div class="space-y-1">
  {#each LEFT_WEIGHT_NAMES as weight (weight)}
    <label class="block text-xs">
      <span class="flex justify-between"
        ><span>{say(`weight.${weight}`)}</span><span class="opacity-70">{words(weight)}</span></span
      >
      <input
        type="range"
        class="range range-xs"
        min={-most}
        max={most}
        step="1"
        value={at(weight)}
        onchange={(event) => weigh(weight, Number(event.currentTarget.value))}
      />
    </label>
  {/each}
</div>
{#if setup.weights}
  <button class="btn btn-ghost btn-xs mt-1" onclick={() => change({ weights: undefined })}
    >As the school has it</button
  >
{/if}
