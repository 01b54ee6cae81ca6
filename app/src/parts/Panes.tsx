import { Splitter, useSplitter } from '@chakra-ui/react';
import { type CSSProperties, type ReactNode, createContext, memo, useContext } from 'react';
import { t } from '../messages/t.ts';
import { useSetView, useView } from '../stores/context.tsx';
import { cache } from '../theme/cache.ts';
import { layout } from '../theme/layout.ts';

interface PanesProps {
  /** What its width is remembered by. */
  readonly name: string;
  /** How wide the side is where nobody drew it, px or a share of the whole: `288px`, `40%`. */
  readonly usual: string;
  /** Undefined while there is nothing: the work stays the same, and is not begun anew when something comes. */
  readonly side: ReactNode | undefined;
  readonly children: ReactNode;
}

/** Narrower than this, nothing in either can be read. */
const LEAST_MAIN = '240px';
const LEAST_SIDE = '200px';

interface Contents {
  readonly main: ReactNode;
  readonly side: ReactNode;
}

const Contents = createContext<Contents>({ main: null, side: null });

/** The work, and what stands at its side; the edge between them is dragged, by hand or by arrow keys. */
export function Panes({ name, usual, side, children }: PanesProps) {
  return (
    <Contents.Provider value={{ main: children, side }}>
      <Frame name={name} usual={usual} alone={side === undefined} />
    </Contents.Provider>
  );
}

interface FrameProps {
  readonly name: string;
  readonly usual: string;
  readonly alone: boolean;
}

/** Drawn when a width changes; what stands in the panes changes at every edit of a cell, and is given past it. */
const Frame = memo(function Frame({ name, usual, alone }: FrameProps) {
  const kept = useView((state) => state.paneWidths[name]);
  const widths = useView((state) => state.paneWidths);
  const setView = useSetView();
  const splitter = useSplitter({
    nonce: cache.nonce,
    defaultSize: ['', kept ?? usual],
    panels: [
      { id: 'main', minSize: LEAST_MAIN },
      { id: 'side', minSize: LEAST_SIDE, resizeBehavior: 'preserve-pixel-size' },
    ],
    keyboardResizeBy: 2,
    onResizeEnd: ({ size }) => {
      const [, share] = size;
      if (share !== undefined)
        setView({ paneWidths: { ...widths, [name]: `${Math.round(share * 100) / 100}%` } });
    },
  });
  const [, share = 0] = splitter.getSizes();
  return (
    <Splitter.RootProvider
      value={splitter}
      className={layout.panes}
      data-alone={alone ? 'true' : undefined}
      style={{ '--side': share } as CSSProperties}
    >
      <Splitter.Panel id="main">
        <Content of="main" />
      </Splitter.Panel>
      <Splitter.ResizeTrigger
        id="main:side"
        className="panes-edge"
        aria-label={t('common.widthOfThePane')}
        title={t('common.widthOfThePane')}
      />
      <Splitter.Panel id="side" className="panes-side">
        <Content of="side" />
      </Splitter.Panel>
    </Splitter.RootProvider>
  );
});

const Content = ({ of }: { readonly of: keyof Contents }): ReactNode => useContext(Contents)[of];
