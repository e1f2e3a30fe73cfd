<script lang="ts">
  import { FINGER_PAIRS, handOf, HAND_NAMES } from '@oculon/core';
  import AppPage from '$lib/shell/AppPage.svelte';
  import { say } from '$lib/words.ts';

  const { data } = $props();
  const PAIRS = FINGER_PAIRS.map((pair) => {
    const [lower, higher] = pair.split('-') as [string, string];
    return { pair, lower, higher };
  });
</script>

<AppPage title="Measuring a hand" {data}>
  <main class="mt-8 max-w-2xl">
    <p class="text-sm"><a class="link" href="/students">Students</a></p>
    <h1 class="mt-1 text-xl">Measuring a hand with a ruler</h1>
    <ol class="mt-4 list-decimal space-y-2 pl-5 text-sm">
      <li>
        Lay a ruler on a table. The student puts the left hand over it as on a fingerboard: fingers curved,
        tips on the ruler, thumb below the edge of the table.
      </li>
      <li>
        Two fingers at a time: the lower one on the zero of the ruler, the other one opened along it as far as
        it goes <b>without strain</b>. Not the utmost: what could be held while playing.
      </li>
      <li>Read the distance between the middles of both fingertips, in millimetres.</li>
      <li>Measure each pair twice and take the smaller one. The other fingers stay curved and loose.</li>
      <li>
        Stop at once when something hurts. A hand that hurts is not measured but shown to a doctor or hand
        therapist.
      </li>
    </ol>
    <svg
      viewBox="0 0 520 130"
      class="mt-6 w-full"
      role="img"
      aria-label="Two fingertips over a ruler and the distance between their middles"
    >
      <rect x="20" y="80" width="480" height="36" fill="none" stroke="currentColor" />
      {#each Array.from({ length: 25 }, (_, index) => index) as mark (mark)}
        <line
          x1={20 + mark * 20}
          y1="80"
          x2={20 + mark * 20}
          y2={mark % 5 === 0 ? 98 : 90}
          stroke="currentColor"
        />
      {/each}
      <g fill="none" stroke="currentColor" stroke-width="2">
        <path d="M 105 10 C 100 40 104 64 120 72 C 136 64 140 40 135 10" />
        <path d="M 345 10 C 340 40 344 64 360 72 C 376 64 380 40 375 10" />
      </g>
      <line x1="120" y1="62" x2="360" y2="62" stroke="var(--color-primary)" stroke-width="2" />
      <text x="112" y="30" font-size="16" fill="currentColor">1</text>
      <text x="352" y="30" font-size="16" fill="currentColor">4</text>
      <text x="212" y="54" font-size="15" fill="currentColor">1 to 4, in mm</text>
    </svg>
    <h2 class="mt-6 text-lg">What to expect</h2>
    <p class="mt-1 text-sm opacity-80">
      Comfortable spans as the planner takes them where nothing is measured, in mm. Common practice, no
      published source: a measured hand is better.
    </p>
    <table class="table table-sm mt-2">
      <thead
        ><tr
          ><th>Fingers</th>{#each HAND_NAMES as hand (hand)}<th class="text-right">{say(`hand.${hand}`)}</th
            >{/each}</tr
        ></thead
      >
      <tbody>
        {#each PAIRS as { pair, lower, higher } (pair)}
          <tr
            ><td>{lower} to {higher}</td>{#each HAND_NAMES as hand (hand)}<td class="text-right tabular-nums"
                >{Math.round(handOf(hand).spans[pair].comfortable)}</td
              >{/each}</tr
          >
        {/each}
      </tbody>
    </table>
  </main>
</AppPage>
