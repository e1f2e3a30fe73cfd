<script lang="ts">
  import LessonView from '$lib/lesson/LessonView.svelte';

  const { data } = $props();
</script>

{#key data.fingering}
  <LessonView {data} />
{/key}
