/** Takes a row of a table of costs out. */
export const RemoveCost = ({ label, remove }: { readonly label: string; readonly remove: () => void }) => (
  <button type="button" className="grip grip-shown" aria-label={label} onClick={remove}>
    ×
  </button>
);
