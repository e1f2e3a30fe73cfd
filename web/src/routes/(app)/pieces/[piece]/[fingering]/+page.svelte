<script module lang="ts">
  import { browser } from '$app/environment';
  import { startPlanner } from '$lib/planner/client.ts';

  // The planner's code is fetched and compiled while the page is still coming to life.
  if (browser) startPlanner();
</script>

<script lang="ts">
  import WorkbenchView from '$lib/workbench/WorkbenchView.svelte';

  const { data } = $props();
</script>

<!-- Another piece is another workbench, also when the browser goes back from one to the other. -->
{#key data.fingering}
  <WorkbenchView {data} />
{/key}
