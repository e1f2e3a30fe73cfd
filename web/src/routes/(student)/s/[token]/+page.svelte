<script lang="ts">
  import StudentView from '$lib/handouts/StudentView.svelte';

  const { data, form } = $props();
</script>

<StudentView {data} {form} />
