import type { ReactNode } from "react";
import { usualPaper } from "../units/paper";

type Props = {
  /** Its address, without the paper. */
  of: string;
  children: ReactNode;
  onPress?: (event: React.MouseEvent<HTMLAnchorElement>) => void;
  filled?: boolean;
};

/** A way to a page that is made to be printed, on the paper that is usual here. */
export function PdfLink({ of, children, onPress, filled }: Props) {
  const look = filled ? "rounded-lg border-[1.5px] border-rim bg-rim px-4 text-sheet" : "text-rim underline";
  return (
    <a
      href={`${of}?page=${usualPaper()}`}
      target="_blank"
      rel="noopener noreferrer"
      onClick={onPress}
      className={`inline-flex min-h-11 items-center font-bold print:hidden ${look}`}
    >
      {children}
    </a>
  );
}
