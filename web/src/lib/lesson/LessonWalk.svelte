<script lang="ts">
  import type { WalkSentence } from '@oculon/core';
  import type { Attachment } from 'svelte/attachments';
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

  /** A button within running text: it breaks over lines, which a real one does not. */
  const pressed =
    (press: () => void): Attachment<HTMLElement> =>
    (element) => {
      const onkeydown = (event: KeyboardEvent): void => {
        if (event.key !== 'Enter' && event.key !== ' ') return;
        event.preventDefault();
        press();
      };
      element.role = 'button';
      element.tabIndex = 0;
      element.addEventListener('click', press);
      element.addEventListener('keydown', onkeydown);
      return () => {
        element.removeEventListener('click', press);
        element.removeEventListener('keydown', onkeydown);
      };
    };

  const isSlow = (line: WalkView): boolean => line.depth === 'slow' && depth !== 'slow';
</script>

{#each walk as line, index (index)}
  {@const sentences = line.sentences.filter(({ text }) => text !== '')}
  {#if sentences.length > 0}
    <p data-block class="walk" class:slow={isSlow(line)}>
      <b
        {@attach isSlow(line) ? undefined : pressed(() => onadd(line))}
        title={isSlow(line) ? undefined : 'Add a sentence'}
        aria-label={isSlow(line) ? undefined : `Add a sentence to ${line.heading}`}
        >{line.heading}{#if letterOf(line.from) && line.from === line.to}&nbsp;<span class="letter"
            >{letterOf(line.from)}</span
          >{/if}</b
      >
      {#each sentences as sentence (sentence.id)}
        <span
          class="sentence"
          class:own={sentence.planned !== undefined}
          title="Say it in your own words"
          {@attach pressed(() => onedit(line, sentence))}>{`${sentence.text} `}</span
        >
      {/each}
    </p>
  {/if}
{/each}

<style>
  .walk {
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
  @media screen {
    [title] {
      cursor: text;
      border-radius: 3px;
    }
    [title]:hover,
    [title]:focus-visible {
      background: #f3ecd8;
      outline: none;
    }
    [title]:focus-visible {
      box-shadow: 0 0 0 2px #8a5a00;
    }
    .own {
      text-decoration: underline dotted #8a5a00;
      text-underline-offset: 3px;
    }
  }
</style>
