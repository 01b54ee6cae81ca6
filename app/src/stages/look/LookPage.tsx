import { Button } from '@chakra-ui/react';
import { type Dispatch, type SetStateAction, useState } from 'react';
import { type Doubt, type DoubtRule, factsOfDoubt } from '@zest/core/doubts/doubt';
import type { Subject } from '@zest/core/doubts/subjects';
import { listWith } from '../../messages/lists.ts';
import { put, remove } from '@zest/core/job/change';
import { tellProblem } from '../../parts/toaster.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import { describeDoubt, headOfRule } from '../../messages/describeDoubt.ts';
import { useFormats, useLook, useOpenJob, useServices } from '../../stores/context.tsx';
import { useOfJob } from '../../stores/jobHooks.ts';
import { dayOf } from '../../platform/days.ts';
import { TextButton } from '../../parts/buttons.tsx';
import { TextInput } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { remedyOf } from './remedies.ts';
import { styles } from './styles.ts';
import { useGoToPlace } from './useGoToPlace.ts';
import { Empty } from '../../parts/Empty.tsx';

/** What a careful colleague would ask before the bid goes out. */
export function LookPage() {
  const look = useLook();
  const open = look?.open ?? [];
  const isEmpty = useIsEmpty();
  const rules = [...new Set(open.map(({ about }) => about.rule))];
  return (
    <div className={layout.stage}>
      <div className={layout.bar}>
        <h1>{t('look.secondLook')}</h1>
        <span className="soft" role="status">
          {look === undefined
            ? t('look.looking')
            : t('look.accepted', {
                doubts: t('count.doubt', { count: open.length }),
                number: look.accepted.length,
              })}
        </span>
      </div>
      <div
        className={`${layout.scroll} ${layout.look}`}
        tabIndex={0}
        role="region"
        aria-label={t('look.doubts')}
      >
        {look !== undefined && open.length === 0 ? (
          <NothingToAsk hasAccepted={look.accepted.length > 0} />
        ) : null}
        {rules.map((rule) => (
          <RuleGroup key={rule} rule={rule} doubts={open.filter(({ about }) => about.rule === rule)} />
        ))}
        <Accepted />
        {look === undefined || isEmpty ? null : <NotLookedAt notThere={look.notThere} />}
      </div>
    </div>
  );
}

/** A job with no marks and no lines has nothing to ask about. */
const useIsEmpty = (): boolean =>
  useOfJob(({ job }) => job.mark.size + job.piece.size + job.line.size + job.use.size === 0);

/** In order is only what was looked at. */
function NothingToAsk({ hasAccepted }: { readonly hasAccepted: boolean }) {
  const isEmpty = useIsEmpty();
  if (isEmpty) return <Empty title={t('look.nothingToLookAt')}>{t('look.nothingMeasuredOrPriced')}</Empty>;
  return (
    <Empty title={t('look.nothingToAsk')}>
      {t(hasAccepted ? 'look.allInOrderOrAccepted' : 'look.allInOrder')}
    </Empty>
  );
}

const SUBJECT_WORDS: Readonly<Record<Subject, string>> = {
  sheets: t('look.sheets'),
  scopes: t('look.scopes'),
  marks: t('look.marks'),
  openings: t('look.openings'),
  lines: t('look.lines'),
  schedules: t('look.schedules'),
  quotes: t('look.quotes'),
  alternates: t('look.alternates'),
  adjustments: t('look.adjustments'),
  regions: t('look.regions'),
  texts: t('look.texts'),
  yardsticks: t('look.yardsticks'),
};

/** No doubt about what is not there says nothing: it is told what was not looked at. */
const NotLookedAt = ({ notThere }: { readonly notThere: readonly Subject[] }) =>
  notThere.length === 0 ? null : (
    <p className="soft">
      {t('look.notLookedAt', {
        subjects: listWith(
          'or',
          notThere.map((subject) => SUBJECT_WORDS[subject]),
        ),
      })}
    </p>
  );

/** Many doubts of one kind must not hide the others: the rest of a kind opens by a press. */
const SHOWN = 6;

function RuleGroup({ rule, doubts }: { readonly rule: DoubtRule; readonly doubts: readonly Doubt[] }) {
  const [all, setAll] = useState(false);
  const shown = all ? doubts : doubts.slice(0, SHOWN);
  return (
    <section className={styles.lookRule} aria-label={headOfRule(rule)}>
      <h2>
        {headOfRule(rule)} <span className="soft">{doubts.length}</span>
      </h2>
      {shown.map((doubt) => (
        <DoubtRow key={doubt.key} doubt={doubt} />
      ))}
      {shown.length < doubts.length ? (
        <TextButton onClick={() => setAll(true)}>{t('look.showAll', { number: doubts.length })}</TextButton>
      ) : null}
    </section>
  );
}

function DoubtRow({ doubt }: { readonly doubt: Doubt }) {
  const { job } = useOpenJob();
  const services = useServices();
  const settle = useSettle();
  const formats = useFormats();
  const go = useGoToPlace();
  const [reason, setReason] = useState<string | undefined>();
  const remedy = remedyOf(doubt, job, services.makeId);
  const tell = (refused: string | undefined): void => {
    if (refused !== undefined) tellProblem(refused);
  };
  const accept = (): void => {
    const words = reason?.trim() ?? '';
    if (words === '') return;
    // One that was accepted with other figures is answered anew.
    const before = [...job.acceptance.values()].find((each) => each.doubt === doubt.key);
    tell(
      settle(
        t('look.acceptDoubt', { name: doubt.name }),
        put({
          type: 'acceptance',
          id: before?.id ?? services.makeId('acceptance'),
          doubt: doubt.key,
          subject: doubt.name.slice(0, 200) || '-',
          facts: factsOfDoubt(doubt),
          reason: words.slice(0, 200),
          date: dayOf(services.now()),
        }),
      ),
    );
    setReason(undefined);
  };
  return (
    <div className={styles.doubt}>
      <TextButton className={styles.doubtName} onClick={() => go(doubt.place)}>
        {doubt.name}
      </TextButton>
      <span>{describeDoubt(doubt, job, formats)}</span>
      <span className={styles.doubtAnswers}>
        {remedy === undefined ? null : (
          <Button size="xs" variant="outline" onClick={() => tell(settle(remedy.label, remedy.command))}>
            {remedy.words}
          </Button>
        )}
        {reason === undefined ? (
          <Button size="xs" variant="outline" onClick={() => setReason('')}>
            {t('look.accept')}
          </Button>
        ) : (
          <ReasonForm accept={accept} doubt={doubt} reason={reason} setReason={setReason} />
        )}
      </span>
    </div>
  );
}

interface ReasonFormProps {
  readonly accept: () => void;
  readonly doubt: Doubt;
  readonly reason: string;
  readonly setReason: Dispatch<SetStateAction<string | undefined>>;
}

function ReasonForm({ accept, doubt, reason, setReason }: ReasonFormProps) {
  return (
    <form
      className={layout.barForm}
      onSubmit={(event) => {
        event.preventDefault();
        accept();
      }}
    >
      <TextInput
        autoFocus
        aria-label={t('look.whyIsFine', { name: doubt.name })}
        placeholder={t('look.whyItsFine')}
        value={reason}
        onChange={(event) => setReason(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === 'Escape') setReason(undefined);
        }}
      />
      <Button size="xs" type="submit" disabled={reason.trim() === ''}>
        {t('look.accept2')}
      </Button>
    </form>
  );
}

/** What was accepted, with its reason; it prints in the internal report. */
function Accepted() {
  const look = useLook();
  const settle = useSettle();
  if (look === undefined || look.accepted.length === 0) return null;
  return (
    <section className={styles.lookRule} aria-label={t('look.accepted2')}>
      <h2>
        {t('look.accepted2')} <span className="soft">{look.accepted.length}</span>
      </h2>
      {look.accepted.map(({ doubt, acceptance }) => (
        <div key={doubt.key} className={styles.doubt}>
          <span className={styles.doubtName}>{doubt.name}</span>
          <span>
            {acceptance.reason} <span className="soft">{acceptance.date}</span>
          </span>
          <span className={styles.doubtAnswers}>
            <Button
              size="xs"
              variant="outline"
              onClick={() => {
                const refused = settle(t('look.doubtAgain', { name: doubt.name }), remove(acceptance.id));
                if (refused !== undefined) tellProblem(refused);
              }}
            >
              {t('look.askAgain')}
            </Button>
          </span>
        </div>
      ))}
    </section>
  );
}
