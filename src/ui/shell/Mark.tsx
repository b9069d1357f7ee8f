/** The tin: lid, body, label. */
export function Mark() {
  return (
    <svg width="27" height="24" viewBox="0 0 27 24" fill="none" aria-hidden="true">
      <rect
        x="2"
        y="8"
        width="23"
        height="14"
        rx="2.5"
        fill="#fbf8f1"
        stroke="#23407a"
        strokeWidth="2.2"
      />
      <rect x="1" y="2.5" width="25" height="6" rx="2" fill="#23407a" />
      <path d="M9 15h9" stroke="#23407a" strokeWidth="2.2" strokeLinecap="round" />
    </svg>
  );
}
