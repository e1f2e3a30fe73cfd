<script lang="ts">
  import { drillKindNamed } from '@oculon/core';

  interface Props {
    /** The order that is shown. */
    order: string;
    onchoose: (order: string) => void;
  }
  const { order, onchoose }: Props = $props();

  const parameter = drillKindNamed('right-orders')!.parameters.order!;
  const ORDERS: readonly string[] = parameter.kind === 'choice' ? parameter.values : [];
  /** One column for each finger that begins. */
  const COLUMNS = [...new Set(ORDERS.map((each) => each[0]!))].map((finger) =>
    ORDERS.filter((each) => each.startsWith(finger)),
  );
</script>

<div class="grid grid-cols-4 gap-1" role="group" aria-label="The twenty-four orders">
  {#each COLUMNS as column (column[0])}
    <div class="flex flex-col gap-1">
      {#each column as each (each)}
        <button
          class={[
            'rounded border border-base-300 py-1 font-serif text-sm italic',
            each === order && 'bg-primary text-primary-content',
          ]}
          aria-pressed={each === order}
          onclick={() => onchoose(each)}>{[...each].join(' ')}</button
        >
      {/each}
    </div>
  {/each}
</div>
