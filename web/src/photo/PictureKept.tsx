import { Fault } from "../kit/parts";

/** What to say of a photograph that the browser does not hold over a reload. */
export function PictureKept({ lost, fleeting }: { lost: boolean; fleeting: boolean }) {
  if (lost)
    return (
      <Fault role="alert">
        The browser no longer holds the photograph. Choose it again: what you had put down on it is kept.
      </Fault>
    );
  return (
    fleeting && (
      <Fault role="alert">
        The browser has no room to hold this photograph: after a reload it has to be chosen again.
      </Fault>
    )
  );
}
