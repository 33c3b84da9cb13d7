import { useCallback } from "react";
import { useNavigate } from "react-router";

/** Goes to a page that has just come to be, unless the hand went on to another station while it came. */
export function useGoToPage(): (page: string) => void {
  const navigate = useNavigate();
  return useCallback(
    (page) => {
      // at once: what was placed is selected already, and a hand that goes on to Run means that page
      if (location.hash.startsWith("#/layout")) void navigate(`/layout/${page}`, { flushSync: true });
    },
    [navigate],
  );
}
