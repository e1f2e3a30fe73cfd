<script lang="ts">
  import { invalidateAll } from '$app/navigation';
  import type { SaveQueue } from '../document/save-queue.svelte.ts';
  import type { Lesson } from '../lesson/lesson.ts';
  import { giveOut, renew, requestFor, takeBack, type MadeLink, type Recipient } from './giving.ts';
  import GivenList, { type Given } from './GivenList.svelte';
  import { LINK_DAYS } from './handout.ts';
  import MadeLinks from './MadeLinks.svelte';

  interface Props {
    fingering: string;
    saving: SaveQueue;
    given: readonly Given[];
    students: readonly Recipient[];
    lesson: Lesson;
    remarks: string;
    student: string;
    /** The link made last for one person: it goes on the printed sheet. */
    link: string;
  }
  let { fingering, saving, given, students, lesson, remarks, student, link = $bindable() }: Props = $props();

  let days = $state<number>(LINK_DAYS.usual);
  let chosen = $state<string[]>([]);
  let ownHand = $state(true);
  let progress = $state('');
  let problem = $state('');
  let news = $state('');
  let made = $state.raw<readonly MadeLink[]>([]);

  /** Does something that needs what is decided on the server, and tells how it went. */
  const doing = async (what: string, work: () => Promise<void>): Promise<void> => {
    progress = what;
    problem = '';
    news = '';
    try {
      // What is given is made from what the server has.
      if (!(await saving.settle()))
        problem = 'Nothing was given out: not everything is saved yet. See beside the title.';
      else await work();
    } catch (error) {
      problem = (error as Error).message;
    } finally {
      progress = '';
      await invalidateAll();
    }
  };

  const give = () =>
    doing('Making the page …', async () => {
      made = [
        await giveOut(fingering, {
          lesson: { ...lesson },
          remarks,
          recipient: student.trim(),
          days,
          student: null,
          ownHand: false,
        }),
      ];
      link = made[0]!.link;
    });
  const giveAll = () =>
    doing('Making the pages …', async () => {
      const wanted = students.filter(({ id }) => chosen.includes(id));
      made = [];
      for (const [index, recipient] of wanted.entries()) {
        progress = `${recipient.name}, ${index + 1} of ${wanted.length} …`;
        const one = await giveOut(
          fingering,
          requestFor(recipient, { lesson: { ...lesson }, remarks, days, ownHand }),
        );
        made = [...made, one];
        chosen = chosen.filter((id) => id !== recipient.id);
      }
    });
  const giveInstead = ({ id, recipient }: Given) => {
    const whose = recipient ? ` for ${recipient}` : '';
    if (!confirm(`Let the link${whose} show the sheet as it stands now? What it showed is kept here.`))
      return;
    return doing('Making the page …', async () => {
      const changed = await renew(id, { ...lesson }, remarks);
      news =
        changed === 0
          ? `The link${whose} shows the sheet as it stands now; no note is taken otherwise.`
          : `The link${whose} shows the sheet as it stands now; ${changed === 1 ? 'one note that is' : `${changed} notes that are`} taken otherwise ${changed === 1 ? 'is' : 'are'} listed on it.`;
    });
  };
  const revoke = ({ id, recipient }: Given) => {
    const whose = recipient ? ` for ${recipient}` : '';
    if (confirm(`Take the link${whose} back? It then opens nothing any more.`))
      return doing('Taking it back …', async () => {
        await takeBack(id);
      });
  };
</script>

<section class="space-y-2 text-sm" aria-label="Links">
  <h2 class="font-serif text-base">Give as a link</h2>
  <p class="opacity-70">Opens this sheet on a phone, without an account, as it stands now.</p>
  <label class="flex items-center gap-2"
    >Opens for
    <input
      class="input input-sm w-20"
      type="number"
      min={LINK_DAYS.least}
      max={LINK_DAYS.most}
      bind:value={days}
    /> days</label
  >
  <button class="btn btn-sm" disabled={progress !== ''} onclick={give}>Make a link</button>
  {#if students.length > 0}
    <details>
      <summary class="cursor-pointer">To several students at once</summary>
      <fieldset class="mt-2 space-y-1">
        <legend class="sr-only">Students</legend>
        {#each students as { id, name } (id)}
          <label class="flex items-center gap-2"
            ><input type="checkbox" class="checkbox checkbox-sm" value={id} bind:group={chosen} />
            {name}</label
          >
        {/each}
      </fieldset>
      <label class="mt-2 flex items-center gap-2"
        ><input type="checkbox" class="checkbox checkbox-sm" bind:checked={ownHand} /> Each for their own hand</label
      >
      <p class="mt-1 text-xs opacity-70">
        Each in their language. For their own hand: their version of the piece where there is one, else this
        one with what their hand cannot do planned anew.
      </p>
      <button class="btn btn-sm mt-2" disabled={progress !== '' || chosen.length === 0} onclick={giveAll}
        >{chosen.length <= 1 ? 'Make the link' : `Make ${chosen.length} links`}</button
      >
    </details>
  {/if}
  {#if progress}<p role="status">{progress}</p>{/if}
  {#if problem}<p role="alert" class="text-error">{problem}</p>{/if}
  {#if news}<p role="status">{news}</p>{/if}
  {#if made.length > 0}<MadeLinks {made} printed={link} />{/if}
  {#if given.length > 0}
    <GivenList {given} isBusy={progress !== ''} onrenew={giveInstead} onrevoke={revoke} />
  {/if}
</section>
