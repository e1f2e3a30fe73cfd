<script lang="ts">
  import { Dumbbell, FileText } from '@lucide/svelte';
  import DisplayPanel from '../../sheet/DisplayPanel.svelte';
  import type { DeskView } from '../desk-view.svelte.ts';

  /** What the student gets: how much stands on the page, the lesson sheet, the practice plan. */
  const { view, address }: { view: DeskView; address: string } = $props();
</script>

<div class="flex flex-wrap gap-2">
  <a class="btn btn-sm btn-primary" href="{address}/lesson"
    ><FileText class="size-4" aria-hidden="true" /> Lesson sheet and link</a
  >
  <a class="btn btn-sm" href="{address}/practice"
    ><Dumbbell class="size-4" aria-hidden="true" /> Practice plan</a
  >
</div>
<DisplayPanel display={view.display} />
