import Link from "next/link";
import { PageHead } from "@/components/ui/page";
import { KIND_WORDS } from "@/components/words/method-words";
import { methodPages } from "@/server/flora/own-methods";
import { memberOrSignIn } from "@/server/platform/session";
import { SeasonNav } from "../season-nav";

export const metadata = { title: "Methods" };

export default async function MethodsPage() {
  const member = await memberOrSignIn();
  const pages = await methodPages(member);
  return (
    <div className="px-4 md:px-6 py-5 max-w-[980px]">
      <PageHead title="Methods">
        <p className="text-[var(--soft)]">
          What can be done, and when. No product is recommended here: the label and local law take precedence.
        </p>
      </PageHead>
      <SeasonNav at="methods" />
      <ul className="mt-4">
        {pages.map(({ method, shipped, own }) => (
          <li key={method.id} className="row">
            <Link href={`/season/methods/${method.id}`} className="block py-2 no-underline min-h-[44px]">
              <span className="font-semibold">{method.name}</span>{" "}
              <span className="small">
                {KIND_WORDS[method.kind]} · {method["life-forms"].join(", ")}
              </span>
              {own?.body ? (
                <strong className="block small text-[var(--teal)]">
                  {shipped ? "Amended by this district" : "Added by this district"}: {own.reason}
                </strong>
              ) : null}
            </Link>
          </li>
        ))}
      </ul>
      {member.roles.includes("specialist") ? (
        <p className="mt-4">
          <Link href="/season/methods/new" className="tap">
            Add a method of this district
          </Link>
        </p>
      ) : null}
    </div>
  );
}
