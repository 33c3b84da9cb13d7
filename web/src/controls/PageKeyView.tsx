import { useNavigate } from "react-router";
import { partOf, useShow } from "../live/show";
import { showTray, useTrays } from "../live/trays";
import { textOf } from "./ControlBox";
import { fitted } from "./fit";
import { Mark } from "./Mark";
import type { ViewOf } from "./view";

/** A key to another page, or one that shows and hides a tray. It sends nothing. */
export function PageKeyView({ id, control, form, live }: ViewOf<"pageKey">) {
  const navigate = useNavigate();
  const parts = useShow((s) => s.parts);
  const page = partOf(parts, "page", form.goesTo);
  const tray = partOf(parts, "tray", form.goesTo);
  const shown = useTrays((s) => (form.goesTo ? s.shown.has(form.goesTo) : false));
  const where = page?.part.body.name ?? tray?.part.body.name;
  const called = control.label || where || "no page yet";
  const go = () => {
    if (page) void navigate(`/run/${page.part.id}`);
    if (tray) showTray(tray.part.id, !shown);
  };
  return (
    <div className="control" data-control={id} data-on={shown} {...textOf(control)}>
      <button
        className="control-face page-key"
        tabIndex={live ? 0 : -1}
        aria-label={control.label || where || "page key"}
        aria-expanded={tray ? shown : undefined}
        onClick={live ? go : undefined}
      >
        <Mark face={control.face} />
        <span className="label-text key-label" style={fitted(called)}>
          {called}
        </span>
        {where && control.label && where !== control.label && <span className="key-state">{where}</span>}
      </button>
    </div>
  );
}
