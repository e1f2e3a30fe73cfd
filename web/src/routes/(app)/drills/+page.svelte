<script lang="ts">
  import { page } from '$app/state';
  import { untrack } from 'svelte';
  import DrillView from '$lib/drills/DrillView.svelte';
  import AppPage from '$lib/shell/AppPage.svelte';

  const { data } = $props();
  const asked = untrack(() => page.url.searchParams);
</script>

<AppPage title="Drills" {data} wide>
  <h1 class="mt-8 text-xl print:hidden">Drills</h1>
  <DrillView {data} {asked} />
</AppPage>
