<script lang="ts">
  import MeetingView from '$lib/meeting/MeetingView.svelte';
  import StudentPage from '$lib/students/StudentPage.svelte';

  const { data, form } = $props();
</script>

<StudentPage {data} id={data.student} name={data.course.student} title="Lesson">
  <main><MeetingView {data} {form} /></main>
</StudentPage>
