<script lang="ts">
  import { Moon, Sun } from '@lucide/svelte';
  import { theme } from './theme.svelte.ts';
</script>

<button
  class="btn btn-ghost btn-sm btn-square"
  onclick={() => theme.toggle()}
  aria-label={theme.isDark ? 'Paper by daylight' : 'Lamp light'}
>
  {#if theme.isDark}<Sun class="size-4" />{:else}<Moon class="size-4" />{/if}
</button>
