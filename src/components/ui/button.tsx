import Link from "next/link";
import type { ButtonHTMLAttributes, ReactNode } from "react";

type Look = "press" | "outline" | "plain";
const LOOKS: Record<Look, string> = { press: "button press", outline: "button", plain: "plain-button" };

/** A button: `press` for the one thing to do, `outline` for the others, `plain` for what is seldom done. */
export const Button = ({
  look = "outline",
  className = "",
  type = "button",
  ...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & { look?: Look }) => (
  <button type={type} className={`${LOOKS[look]} ${className}`} {...rest} />
);

/** A link that looks like a button, since it leads to the next step. */
export const LinkButton = ({
  href,
  look = "outline",
  className = "",
  children,
}: {
  href: string;
  look?: Look;
  className?: string;
  children: ReactNode;
}) => (
  <Link href={href} className={`${LOOKS[look]} ${className}`}>
    {children}
  </Link>
);
