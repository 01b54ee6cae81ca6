import { Box, Flex } from '@chakra-ui/react';
import { t } from '../../messages/t.ts';
import { addressOfLogo } from '../settings/readLogo.ts';
import type { BidModel, PriceRow } from './bidModel.ts';
import { styles } from './styles.ts';

/** Ink on paper: the same in both themes. */
const INK_SOFT = '#56615a';
const RIND = '#1e4b39';

/** The bid as it is printed. */
export function BidPaper({ model }: { readonly model: BidModel }) {
  return (
    <article className={styles.bidPaper} aria-label={model.heading}>
      <Warning words={model.warning} />
      <PaperHead model={model} />
      <Box as="section" mt="16px">
        <Box color={INK_SOFT}>{model.for}</Box>
        <b>{model.client}</b>
        <Box whiteSpace="pre-line">{model.clientAddress}</Box>
        <Box as="h2" fontSize="16px" fontWeight={600} mt="14px">
          {model.name}
        </Box>
        <Box color={INK_SOFT}>{model.location}</Box>
      </Box>
      <table>
        <tbody>
          {model.rows.map((row, at) => (
            <Row key={`${at} ${row.name}`} row={row} />
          ))}
          <tr className="total">
            <td colSpan={3}>{model.total.words}</td>
            <td className="right">{model.total.amount}</td>
          </tr>
          {model.afterTotal.map(({ words, amount, bold }) => (
            <Box as="tr" key={words} fontWeight={bold ? 600 : 400}>
              <td colSpan={3}>{words}</td>
              <td className="right">{amount}</td>
            </Box>
          ))}
        </tbody>
      </table>
      <TitledTable {...model.allowances} />
      <TitledTable {...model.options} />
      {model.lists.map(({ title, items }) => (
        <section key={title}>
          <Box as="h3" fontSize="13px" fontWeight={600} mt="10px" mb="2px">
            {title}
          </Box>
          <Box as="ul" m={0} pl="18px" listStyleType="disc">
            {items.map((item, at) => (
              <li key={`${at} ${item}`}>{item}</li>
            ))}
          </Box>
        </section>
      ))}
      <Box as="p" mt="16px">
        {model.valid}
      </Box>
      <Flex gap="30px" mt="30px">
        {model.signatures.map((name, at) => (
          <Box key={at} w="220px" borderTop={`1px solid ${INK_SOFT}`} color={INK_SOFT} fontSize="11px">
            {name}
          </Box>
        ))}
      </Flex>
    </article>
  );
}

const Warning = ({ words }: { readonly words: string }) =>
  words === '' ? null : (
    <Box color="#a3203f" fontWeight={600} mb="10px" role="alert">
      {words}
    </Box>
  );

interface TitledTableProps {
  readonly title: string;
  readonly rows: readonly { readonly name: string; readonly words?: string; readonly amount: string }[];
}

/** What stands below the price: allowances, and options with what each does. Nothing where there is none. */
function TitledTable({ title, rows }: TitledTableProps) {
  if (rows.length === 0) return null;
  return (
    <section aria-label={title}>
      <Box as="h3" fontSize="13px" fontWeight={600} mt="10px" mb="2px">
        {title}
      </Box>
      <table>
        <tbody>
          {rows.map(({ name, words, amount }, at) => (
            <tr key={`${at} ${name}`}>
              <td>{name}</td>
              <Box as="td" color={INK_SOFT} className="right">
                {words}
              </Box>
              <td className="right">{amount}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

interface PaperHeadProps {
  readonly model: BidModel;
}

function PaperHead({ model }: PaperHeadProps) {
  return (
    <Flex as="header" justify="space-between" gap="24px" borderBottom={`2px solid ${RIND}`} pb="12px">
      <div>
        {model.logo === undefined ? null : (
          <img src={addressOfLogo(model.logo)} alt="" className={styles.bidLogo} />
        )}
        <Box as="b" fontSize="18px">
          {model.company || t('bid.yourCompany')}
        </Box>
        <Box whiteSpace="pre-line" color={INK_SOFT}>
          {model.companyAddress}
        </Box>
      </div>
      <Box textAlign="right">
        <Box as="b" fontSize="18px">
          {model.heading}
        </Box>
        <Box color={INK_SOFT}>{model.dated}</Box>
      </Box>
    </Flex>
  );
}

const Row = ({ row: { code, name, quantity, amount, bold, inner } }: { readonly row: PriceRow }) => (
  <Box as="tr" fontWeight={bold ? 600 : 400}>
    <Box as="td" w="44px" color={INK_SOFT} fontWeight={400}>
      {code}
    </Box>
    <Box as="td" pl={inner ? '14px' : undefined}>
      {name}
    </Box>
    <Box as="td" className="right" color={INK_SOFT} fontWeight={400} whiteSpace="nowrap">
      {quantity}
    </Box>
    <td className="right">{amount}</td>
  </Box>
);
