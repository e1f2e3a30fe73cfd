<script lang="ts">
  import PlanView from '$lib/practice/PlanView.svelte';
  import StudentPage from '$lib/students/StudentPage.svelte';

  const { data, form } = $props();
</script>

<StudentPage {data} id={data.student} name={data.course.student} title="Practice plan">
  <main><PlanView {data} {form} /></main>
</StudentPage>
