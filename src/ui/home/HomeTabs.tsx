import { PageTabs } from '../shell/StepPages';
import { scopeBase } from '../shell/scope';

/** The pages of the home that belong to no step. */
export const HomeTabs = ({
  projectId,
  active,
}: {
  readonly projectId: string;
  readonly active: '' | 'days' | 'statement';
}) => (
  <PageTabs
    label="Pages of the home"
    base={scopeBase({ projectId })}
    pages={[
      ['', 'What is next'],
      ['days', 'Days'],
      ['statement', 'Statement'],
    ]}
    active={active}
  />
);
