import { Link } from "react-router";

type Props = { to: string; title: string; children: React.ReactNode };

/** A way on, large enough to be pressed with wet hands: what it does, and in other words what it is for. */
export function Door({ to, title, children }: Props) {
  return (
    <li>
      <Link
        to={to}
        className="flex min-h-16 flex-wrap items-center justify-between gap-x-4 rounded-lg border-[1.5px] border-line-strong bg-sheet px-4 hover:bg-rim-faint"
      >
        <span className="font-bold text-[1.1875rem] text-rim">{title}</span>
        <span dir="auto" className="text-ash">
          {children}
        </span>
      </Link>
    </li>
  );
}
