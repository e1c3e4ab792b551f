// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, fireEvent, render, screen, waitFor } from "@testing-library/react";
import { MemoryRouter } from "react-router";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { api, Refused } from "../api/client";
import type { Role, Session } from "../api/document";
import { may } from "../kit/useSession";
import { Door } from "./Door";
import { Pair } from "./Pair";

const nobody: Session = {
  log_in: true,
  person: null,
  device: null,
  codes: false,
  code_wanted: false,
  csrf: "token",
  address: "https://shop.local:4381",
  fingerprint: "AB:CD:EF:01:23:45:67:89",
};
const ines: Session = { ...nobody, person: { id: 1, name: "Ines", role: "owner" } };
const refused = (detail: string, pointer?: string) =>
  new Refused({
    type: "about:blank",
    title: "",
    status: pointer === undefined ? 401 : 422,
    detail,
    ...(pointer !== undefined && { errors: [{ pointer, detail }] }),
  });

const session = vi.spyOn(api, "session");
const logIn = vi.spyOn(api, "logIn");

function shown(what: React.ReactNode) {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  return render(
    <QueryClientProvider client={client}>
      <MemoryRouter>{what}</MemoryRouter>
    </QueryClientProvider>,
  );
}
const type = (label: string, value: string) => fireEvent.change(screen.getByLabelText(label), { target: { value } });

describe("the door", () => {
  beforeEach(() => {
    session.mockReset();
    logIn.mockReset();
  });
  afterEach(cleanup);

  it("is open where nobody has to log in, and to whoever is in", async () => {
    for (const open of [{ ...nobody, log_in: false }, ines]) {
      session.mockResolvedValue(open);
      shown(<Door>the shop</Door>);
      await screen.findByText("the shop");
      cleanup();
    }
  });

  it("asks a stranger for name and password, says what is wrong with them, and opens", async () => {
    session.mockResolvedValue(nobody);
    shown(<Door>the shop</Door>);
    await screen.findByRole("heading", { name: "Who are you?" });
    const go = screen.getByRole("button", { name: "Log in" });
    expect(go).toBeDisabled();
    type("Name", "Ines");
    type("Password", "no");
    logIn.mockRejectedValueOnce(refused("There is nobody of that name with that password."));
    fireEvent.click(go);
    await screen.findByText("There is nobody of that name with that password.");
    expect(screen.getByLabelText("Name")).toHaveValue("Ines");
    logIn.mockResolvedValueOnce({});
    session.mockResolvedValue(ines);
    type("Password", "elm and lime");
    fireEvent.click(go);
    await screen.findByText("the shop");
    expect(logIn).toHaveBeenLastCalledWith("Ines", "elm and lime");
  });

  it("asks for the one-time code of whoever has such codes, and for nothing else meanwhile", async () => {
    session.mockResolvedValue({ ...nobody, code_wanted: true });
    const give = vi.spyOn(api, "giveCode").mockResolvedValue({});
    shown(<Door>the shop</Door>);
    type(
      await screen.findByLabelText("One-time code, from the app").then(() => "One-time code, from the app"),
      "123456",
    );
    expect(screen.queryByLabelText("Password")).toBeNull();
    session.mockResolvedValue(ines);
    fireEvent.click(screen.getByRole("button", { name: "Let me in" }));
    await screen.findByText("the shop");
    expect(give).toHaveBeenCalledWith("123456");
  });

  it("takes a code out of a scanned address, and lets a wrong one be mended", async () => {
    session.mockResolvedValue(nobody);
    const use = vi.spyOn(api, "usePairing").mockRejectedValueOnce(refused("is no code", "/code"));
    globalThis.location.hash = "#code=oak-elm-ash-lime-yew";
    shown(<Pair />);
    expect(screen.getByLabelText("Code shown at the desk")).toHaveValue("oak elm ash lime yew");
    type("What to call this device", "Apron");
    fireEvent.click(screen.getByRole("button", { name: "Join" }));
    await screen.findByText("is no code");
    use.mockResolvedValue({});
    type("Code shown at the desk", "oak elm ash lime fir");
    fireEvent.click(screen.getByRole("button", { name: "Join" }));
    await waitFor(() => expect(use).toHaveBeenLastCalledWith("oak elm ash lime fir", "Apron"));
  });
});

describe("rights", () => {
  const as = (role: Role): Session => ({ ...ines, person: { id: 1, name: "x", role } });

  it("are those of a role and of all below it; everybody's where nobody logs in", () => {
    expect(may(as("maker"), "learner")).toBe(true);
    expect(may(as("learner"), "maker")).toBe(false);
    expect(may({ ...nobody, log_in: false }, "owner")).toBe(true);
    expect([may(nobody, "viewer"), may(undefined, "viewer")]).toEqual([false, false]);
  });
});
