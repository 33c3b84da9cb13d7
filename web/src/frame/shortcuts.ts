/** Every key and gesture, by the place where it holds. docs/shortcuts.md says the same, and a test holds them together. */
export interface Shortcut {
  keys: string;
  what: string;
}

export const SHORTCUTS: { where: string; list: Shortcut[] }[] = [
  {
    where: "Everywhere",
    list: [
      { keys: "H", what: "hold all targets: nothing is sent by hand; when all are held: release them" },
      { keys: ".", what: "stop all cue lists: fades stay where they are, waits end" },
    ],
  },
  {
    where: "Everywhere but in Run",
    list: [
      { keys: "?", what: "this list" },
      { keys: "Ctrl+Z", what: "undo your own last edit" },
      { keys: "Ctrl+Shift+Z or Ctrl+Y", what: "redo it" },
      { keys: "Enter in a field, or leaving it", what: "save what was typed" },
      { keys: "Escape in a field", what: "the saved value comes back" },
    ],
  },
  {
    where: "Build",
    list: [
      { keys: "choose a kind, tap a free cell", what: "place a control there" },
      { keys: "Enter on a kind", what: "place it where there is room" },
      { keys: "click or tap a control", what: "select it; sends nothing" },
      { keys: "Shift or Ctrl with a click", what: "select one more, or one less" },
      { keys: "drag over bare cells", what: "select what lies in the band" },
      { keys: "Tab", what: "from control to control" },
      { keys: "Space", what: "select the control, or no longer" },
      { keys: "Enter on a control", what: "select it alone and go to its path" },
      { keys: "Escape in the path", what: "back to the control" },
      {
        keys: "drag a number of the sends; Alt with ← or →",
        what: "change the order in which they are sent",
      },
      { keys: "Ctrl+A", what: "select all of the page" },
      { keys: "Ctrl+Shift+A", what: "select all of the same kind" },
      { keys: "Escape", what: "select nothing" },
      { keys: "drag; drag the round corner", what: "move; resize what is selected" },
      { keys: "arrow keys; with Shift", what: "move; resize it by one cell" },
      { keys: "Ctrl+Shift+arrow", what: "align the selected to that edge" },
      { keys: "Ctrl+C, Ctrl+X, Ctrl+V", what: "copy, cut, paste; also to another page or show" },
      { keys: "Ctrl+Shift+V", what: "paste special: the same again, the next numbers, the next values" },
      { keys: "Ctrl+D", what: "duplicate" },
      { keys: "Ctrl+G", what: "group what is selected in a tray" },
      { keys: "Ctrl+F", what: "find and replace in addresses and labels" },
      { keys: "Delete or Backspace", what: "remove" },
    ],
  },
  {
    where: "Cues, in Play",
    list: [
      { keys: "Space", what: "go: fire the next cue" },
      { keys: "Backspace", what: "back: the cue before is next" },
      { keys: "P", what: "pause what runs, and let it go on" },
      { keys: "S", what: "stop this list" },
      { keys: "0", what: "reset: stop, and fire the cue 0" },
    ],
  },
  {
    where: "Cues, in Edit, on a track",
    list: [
      { keys: "Space", what: "play the track, and pause it" },
      { keys: "C", what: "drop a cue where the track is" },
      { keys: "M", what: "drop a mark there" },
      {
        keys: "left and right arrow",
        what: "move what is chosen by a frame; with Shift by a beat, with Alt by a millisecond",
      },
      { keys: "Home", what: "to the start of the track" },
      { keys: "wheel; with Ctrl or Alt", what: "along the track; nearer and farther" },
    ],
  },
  {
    where: "Run",
    list: [
      { keys: "drag a fader", what: "moves the cap as far as the finger, or as it is set" },
      { keys: "Shift while dragging", what: "a tenth of the way" },
      { keys: "arrow keys; with Shift", what: "a hundredth; a thousandth" },
      { keys: "Page Up, Page Down", what: "a tenth" },
      { keys: "Home, End", what: "the ends" },
      { keys: "letting go of such a key", what: "what springs back does so" },
      { keys: "Space or Enter", what: "press and release a button" },
      { keys: "two taps; Delete", what: "to the rest value" },
      {
        keys: "the key of a control, with what is held with it",
        what: "presses it, whichever page is shown",
      },
      { keys: "the button of a game controller that a control has as its key", what: "presses it likewise" },
      {
        keys: "the stick of a game controller likewise",
        what: "moves it, the faster the farther it is pushed",
      },
    ],
  },
];
