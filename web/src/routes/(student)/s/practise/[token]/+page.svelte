<script lang="ts">
  import { page } from '$app/state';
  import PractiseView from '$lib/practising/PractiseView.svelte';

  const { data } = $props();
</script>

<PractiseView {data} page={page.url.pathname} />
