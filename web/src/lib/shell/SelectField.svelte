<script lang="ts">
  interface Props {
    readonly label: string;
    readonly name: string;
    readonly value: string;
    /** Values and what they are called. */
    readonly options: readonly (readonly [value: string, text: string])[];
    readonly problem?: string | undefined;
  }
  const { label, name, value, options, problem }: Props = $props();
</script>

<!-- `selected` on the options, not `value` on the select: what is chosen before the page has come alive must stay. -->
<label class="block">
  <span class="text-sm font-medium">{label}</span>
  <select
    {name}
    class={['select mt-1 w-full', problem && 'select-error']}
    aria-invalid={problem ? 'true' : undefined}
  >
    {#each options as [each, text] (each)}<option value={each} selected={each === value}>{text}</option
      >{/each}
  </select>
  {#if problem}<span class="mt-1 block text-xs text-error">{problem}</span>{/if}
</label>
