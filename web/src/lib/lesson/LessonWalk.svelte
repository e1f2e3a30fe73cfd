<script lang="ts">
  import type { WalkSentence } from '@oculon/core';
  import { Plus } from '@lucide/svelte';
  import type { WalkView } from '../planner/api.ts';
  import type { Lesson } from './lesson.ts';

  interface Props {
    walk: readonly WalkView[];
    depth: Lesson['depth'];
    letterOf: (bar: number) => string | undefined;
    onedit: (line: WalkView, sentence: WalkSentence) => void;
    onadd: (line: WalkView) => void;
  }
  const { walk, depth, letterOf, onedit, onadd }: Props = $props();

  const isSlow = (line: WalkView): boolean => line.depth === 'slow' && depth !== 'slow';
</script>

{#each walk as line, index (index)}
  {@const sentences = line.sentences.filter(({ text }) => text !== '')}
  {#if sentences.length > 0}
    <p data-block class="walk" class:slow={isSlow(line)}>
      {#if !isSlow(line)}
        <button
          class="add print:hidden"
          aria-label="Add a sentence to {line.heading}"
          title="Add a sentence"
          onclick={() => onadd(line)}><Plus class="size-3" aria-hidden="true" /></button
        >
      {/if}
      <b
        >{line.heading}{#if letterOf(line.from) && line.from === line.to}&nbsp;<span class="letter"
            >{letterOf(line.from)}</span
          >{/if}</b
      >
      {#each sentences as sentence (sentence.id)}
        <!-- A sentence runs on over lines, which a real button does not. -->
        <span
          class="sentence"
          class:own={sentence.planned !== undefined}
          role="button"
          tabindex="0"
          title="Say it in your own words"
          onclick={() => onedit(line, sentence)}
          onkeydown={(event) => {
            if (event.key !== 'Enter' && event.key !== ' ') return;
            event.preventDefault();
            onedit(line, sentence);
          }}>{`${sentence.text} `}</span
        >
      {/each}
    </p>
  {/if}
{/each}

<style>
  .walk {
    position: relative;
    padding-block: 0.15em;
    break-inside: avoid;
  }
  .slow {
    padding-left: 1.2em;
    font-size: 0.9em;
  }
  .letter {
    border: 1px solid black;
    padding-inline: 0.25em;
    font-family: var(--font-sans);
    font-size: 0.85em;
  }
  /* In the margin: nothing on the paper moves by it. */
  .add {
    position: absolute;
    left: -26px;
    top: 0.3em;
    padding: 3px;
    opacity: 0.45;
    border-radius: 4px;
    cursor: pointer;
  }
  .add:hover,
  .add:focus-visible {
    opacity: 1;
    background: #eee;
  }
  @media screen {
    .sentence {
      cursor: text;
      border-radius: 3px;
    }
    .sentence:hover,
    .sentence:focus-visible {
      background: #f3ecd8;
      outline: none;
    }
    .sentence:focus-visible {
      box-shadow: 0 0 0 2px #8a5a00;
    }
    .own {
      text-decoration: underline dotted #8a5a00;
      text-underline-offset: 3px;
    }
  }
</style>
