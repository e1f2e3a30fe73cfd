<script lang="ts">
  import '../app.css';
  import type { Snippet } from 'svelte';
  import StorageNotice from '$lib/StorageNotice.svelte';

  const { children }: { children: Snippet } = $props();
</script>

<StorageNotice />
{@render children()}
