<script lang="ts">
  import PracticeView from '$lib/practice/PracticeView.svelte';

  const { data } = $props();
</script>

{#key data.fingering}
  <PracticeView {data} />
{/key}
