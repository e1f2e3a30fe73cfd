<script lang="ts">
  import ReferenceView from '$lib/reference/ReferenceView.svelte';
  import AppPage from '$lib/shell/AppPage.svelte';

  const { data } = $props();
</script>

<AppPage title="Reference" {data} wide>
  <ReferenceView {data} />
</AppPage>
