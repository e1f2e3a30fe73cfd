<script lang="ts">
  import LogView from '$lib/logbook/LogView.svelte';
  import StudentPage from '$lib/students/StudentPage.svelte';

  const { data, form } = $props();
</script>

<StudentPage {data} id={data.student} name={data.course.student} title="Logbook">
  <main><LogView {data} {form} /></main>
</StudentPage>
