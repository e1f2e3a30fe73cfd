<script lang="ts">
  import type { Snippet } from 'svelte';

  interface Props {
    /** What stands here, as it is said to a teacher. */
    name: string;
    children: Snippet;
  }
  const { name, children }: Props = $props();

  const told = (error: unknown) => console.error(`${name}:`, error);
</script>

<!-- A fault in one part of a page stays in it: the rest is shown and works on. -->
<svelte:boundary onerror={told}>
  {@render children()}
  {#snippet failed(error, reset)}
    <div role="alert" class="rounded-box border border-error p-3 text-sm" data-failed={name}>
      <p>
        <span class="font-semibold">{name}</span> cannot be shown ({error instanceof Error
          ? error.message
          : 'for a reason unknown'}). Everything else works on, and nothing you decided is lost.
      </p>
      <button class="btn btn-xs mt-2" onclick={reset}>Show it again</button>
    </div>
  {/snippet}
</svelte:boundary>
