import { Button } from "./controls";

/** How much of a list is shown, and the way to the rest. */
export function Pager({
  page,
  pages,
  count,
  one,
  many,
  onPage,
}: {
  page: number;
  pages: number;
  count: number;
  one: string;
  many: string;
  onPage: (page: number) => void;
}) {
  return (
    <nav aria-label="Pages of the list" className="figures mt-3 flex items-center gap-3 text-sm">
      <span className="text-faded">
        {count} {count === 1 ? one : many}
      </span>
      {pages > 1 && (
        <>
          <Button kind="quiet" disabled={page <= 1} onClick={() => onPage(page - 1)}>
            Previous
          </Button>
          <span>
            {page} of {pages}
          </span>
          <Button kind="quiet" disabled={page >= pages} onClick={() => onPage(page + 1)}>
            Next
          </Button>
        </>
      )}
    </nav>
  );
}
