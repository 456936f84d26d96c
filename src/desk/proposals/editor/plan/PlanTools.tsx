import { tools } from './drawing';
import type { Tracing } from './useTracing';

/** The tools of a plan with their keys, and what to do next. */
export function PlanTools({ tracing: { tool, pick, drawn, said, asking } }: { readonly tracing: Tracing }) {
  const hint =
    drawn.length > 0 && !asking
      ? 'Backspace takes the last point back, Esc all of them; Shift keeps right angles.'
      : tools.find((each) => each.tool === tool)!.how;
  return (
    <div className="plan-tools" role="toolbar" aria-label="Tools">
      {tools.map((each) => (
        <button
          key={each.tool}
          type="button"
          className="plan-tool"
          aria-pressed={tool === each.tool}
          onClick={() => pick(each.tool)}
        >
          {each.name} <kbd>{each.key}</kbd>
        </button>
      ))}
      <span className="soft plan-hint" role="status">
        {said ?? hint}
      </span>
    </div>
  );
}
