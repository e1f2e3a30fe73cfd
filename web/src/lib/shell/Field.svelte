<script lang="ts">
  import type { HTMLInputAttributes } from 'svelte/elements';

  interface Props extends HTMLInputAttributes {
    readonly label: string;
    readonly name: string;
    readonly hint?: string;
    /** What is wrong with what was sent. */
    readonly problem?: string | undefined;
  }
  const { label, name, hint, problem, value, ...input }: Props = $props();
  const hintId = $derived(`${name}-hint`);
</script>

<!-- A default, not a value: what is typed before the page has come alive must stay. -->
<label class="block">
  <span class="text-sm font-medium">{label}</span>
  <input
    {name}
    class={['input mt-1 w-full', problem && 'input-error']}
    aria-invalid={problem ? 'true' : undefined}
    aria-describedby={problem || hint ? hintId : undefined}
    {...input}
    defaultValue={value}
  />
  {#if problem || hint}
    <span id={hintId} class={['mt-1 block text-xs', problem ? 'text-error' : 'opacity-70']}
      >{problem ?? hint}</span
    >
  {/if}
</label>
