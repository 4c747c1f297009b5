interface Props {
  readonly label: string;
  readonly icon: React.ReactNode;
  readonly onPress: () => void;
}

/** A button that is an icon, beside a drawing. */
export const SmallButton = ({ label, icon, onPress }: Props) => (
  <button type="button" className="btn btn-ghost btn-xs btn-square" aria-label={label} title={label} onClick={onPress}>
    {icon}
  </button>
);
