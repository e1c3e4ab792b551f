import type { BodyDefect, Crack, Defect, PathDefect } from "../../api/document";
import { isPath, without } from "../../api/document";
import { Button } from "../../kit/Button";
import { Choice } from "../../kit/Choice";
import { ClockField, LengthField, NumberField, TextLine } from "../../kit/MeasureField";
import { dropPoint, overEdge } from "../../piece/edit";
import { useUnit } from "../../kit/Units";
import { Fields, Row, Ticket } from "../../kit/parts";
import { useBlank, useSelection } from "../../draft/contexts";
import { t } from "../../i18n/texts";

const MENDS: Record<NonNullable<Crack["mend"]>, string> = {
  none: t("screen.survey.open"),
  thin_ca: t("screen.survey.thin_ca"),
  packed_dust: t("screen.survey.ca_on_dust"),
  thick_ca: t("screen.survey.thick_ca"),
  epoxy: t("screen.survey.epoxy"),
  resin: t("screen.survey.resin"),
};

export const FOUND_BY: Record<NonNullable<PathDefect["found_by"]>, string> = {
  seen: "seen",
  feeler: t("screen.survey.by_feeler"),
  guessed: "guessed",
};
const DOUBT = 0.35;

/** Everything of one defect that can be typed. Faults of the core stand at their field. */
export function DefectFields({ defect }: { defect: Defect }) {
  const blank = useBlank();
  const selection = useSelection();
  const index = blank.document.defects.findIndex(({ id }) => id === defect.id);
  const put = (changed: Defect) => blank.put(changed, false);
  const over = isPath(defect) ? overEdge(defect, blank.document.defects, blank.assessment.geometry) : undefined;
  const fault = (path: string) =>
    blank.problem?.errors?.find(({ pointer }) => pointer.startsWith(`/document/defects/${index}/${path}`))?.detail;
  return (
    <>
      {isPath(defect) ? <PathFields {...{ defect, put, fault }} /> : <BodyFields {...{ defect, put, fault }} />}
      <div style={{ maxWidth: 260, marginBottom: 12 }}>
        <TextLine
          label={t("screen.survey.belongs_with")}
          value={defect.group ?? ""}
          most={40}
          onChange={(group) => {
            put((group ? { ...defect, group } : without(defect, "group")) as Defect);
          }}
        />
      </div>
      <Row>
        <Button onPress={() => blank.copy(defect)}>{t("screen.survey.copy")}</Button>
        {over && (
          <Button
            onPress={() =>
              blank.draft.change({
                ...blank.document,
                defects: [...blank.document.defects.map((own) => (own.id === defect.id ? over[0] : own)), over[1]],
              })
            }
          >
            {t("screen.survey.on_over_the_edge")}
          </Button>
        )}
        <Button onPress={() => blank.remove(defect.id)}>{t("screen.survey.delete", { id: defect.id })}</Button>
        <Button $kind="quiet" onPress={() => selection.choose(undefined)}>
          {t("screen.survey.done")}
        </Button>
      </Row>
    </>
  );
}

type Part<Kind extends Defect> = {
  defect: Kind;
  put: (changed: Defect) => void;
  fault: (path: string) => string | undefined;
};

function PathFields({ defect, put, fault }: Part<PathDefect>) {
  const setPoint = (index: number, change: object) =>
    put({ ...defect, path: defect.path.map((point, other) => (other === index ? { ...point, ...change } : point)) });
  const last = defect.path.length - 1;
  const unit = useUnit();
  const side = defect.enters === "side";
  const named = (index: number) =>
    index === 0
      ? t("screen.survey.from")
      : index === last
        ? t("screen.survey.to")
        : t("screen.survey.point", { value: index + 1 });
  const varies = defect.path.some(({ depth_mm }) => depth_mm !== undefined);
  const setVaries = (on: boolean) =>
    put({
      ...defect,
      path: defect.path.map(({ depth_mm, ...point }) =>
        on ? { ...point, depth_mm: depth_mm ?? defect.depth_mm } : point,
      ),
    });
  return (
    <>
      <Fields>
        <LengthField
          label={t("screen.survey.depth")}
          value={defect.depth_mm}
          onChange={(depth_mm) => put({ ...defect, depth_mm })}
          fault={fault("depth_mm")}
        />
        <LengthField
          label={defect.type === "bark_inclusion" ? t("screen.survey.thickness") : t("screen.survey.mouth")}
          value={defect.width_mm}
          onChange={(width_mm) => put({ ...defect, width_mm })}
          fault={fault("width_mm")}
        />
      </Fields>
      <Ticket style={{ marginBottom: 12 }}>
        <thead>
          <tr>
            <td />
            <th>{t("screen.survey.oclock")}</th>
            <th>{side ? t("screen.survey.off_the_head", { unit }) : t("screen.survey.off_the_axis", { unit })}</th>
            {varies && <th>{t("screen.survey.deep", { unit })}</th>}
            {last > 1 && <td />}
          </tr>
        </thead>
        <tbody>
          {defect.path.map((point, index) => (
            <tr key={index}>
              <th scope="row">{named(index)}</th>
              <td>
                <ClockField
                  bare
                  label={named(index)}
                  value={point.clock_deg}
                  onChange={(clock_deg) => setPoint(index, { clock_deg })}
                  fault={fault(`path/${index}/clock_deg`)}
                />
              </td>
              <td>
                {side ? (
                  <LengthField
                    bare
                    label={t("screen.survey.off_the_head_2", { named: named(index) })}
                    value={point.z_mm}
                    onChange={(z_mm) => setPoint(index, { z_mm })}
                    fault={fault(`path/${index}/z_mm`)}
                  />
                ) : (
                  <LengthField
                    bare
                    label={t("screen.survey.off_the_axis_2", { named: named(index) })}
                    value={point.r_mm ?? 0}
                    onChange={(r_mm) => setPoint(index, { r_mm })}
                    fault={fault(`path/${index}/r_mm`)}
                  />
                )}
              </td>
              {varies && (
                <td>
                  <LengthField
                    bare
                    label={t("screen.survey.deep_2", { named: named(index) })}
                    value={point.depth_mm ?? defect.depth_mm}
                    onChange={(depth_mm) => setPoint(index, { depth_mm })}
                    fault={fault(`path/${index}/depth_mm`)}
                  />
                </td>
              )}
              {last > 1 && (
                <td>
                  {index > 0 && index < last && (
                    <Button
                      $kind="quiet"
                      aria-label={t("screen.survey.drop_point", { value: index + 1 })}
                      onPress={() => put(dropPoint(defect, index))}
                    >
                      {t("screen.survey.drop")}
                    </Button>
                  )}
                </td>
              )}
            </tr>
          ))}
        </tbody>
      </Ticket>
      <div style={{ marginBottom: 12 }}>
        <Choice
          label={t("screen.survey.how_deep_along_it")}
          value={varies ? "varies" : "even"}
          options={{ even: t("screen.survey.the_same_all_along"), varies: t("screen.survey.differs_by_the_point") }}
          onChange={(way) => setVaries(way === "varies")}
        />
      </div>
      <Depth {...{ defect, put, fault }} />
      {defect.type !== "bark_inclusion" && (
        <div style={{ display: "grid", gap: 10, marginBottom: 12 }}>
          <Choice
            label={t("screen.survey.mended_with")}
            value={defect.mend ?? "none"}
            options={MENDS}
            onChange={(mend) => put({ ...defect, mend })}
          />
          <Choice
            label={t("screen.survey.goes")}
            value={defect.through ? "through" : "in"}
            options={{ in: t("screen.survey.in"), through: t("screen.survey.right_through") }}
            onChange={(way) => put({ ...defect, through: way === "through" })}
          />
        </div>
      )}
    </>
  );
}

/** How the depth was found and, where it is in doubt, how much it may be. */
function Depth({ defect, put, fault }: Part<PathDefect>) {
  const range = defect.depth_range_mm;
  const set = (depth_range_mm: number[] | undefined) => {
    const changed = { ...defect };
    delete changed.depth_range_mm;
    put(depth_range_mm ? { ...changed, depth_range_mm } : changed);
  };
  return (
    <div style={{ display: "grid", gap: 10, marginBottom: 12 }}>
      <Choice
        label={t("screen.survey.depth_found")}
        value={defect.found_by ?? "unsaid"}
        options={{
          unsaid: t("screen.survey.unsaid"),
          seen: t("screen.survey.seen"),
          feeler: t("screen.survey.by_feeler_2"),
          guessed: t("screen.survey.guessed"),
        }}
        onChange={(way) => {
          const changed = { ...defect };
          delete changed.found_by;
          put(way === "unsaid" ? changed : { ...changed, found_by: way });
        }}
      />
      {range ? (
        <Fields style={{ margin: 0 }}>
          <LengthField
            label={t("screen.survey.at_least")}
            value={range[0] ?? 0}
            onChange={(least) => set([least, range[1] ?? least])}
            fault={fault("depth_range_mm")}
          />
          <LengthField
            label={t("screen.survey.at_most")}
            value={range[1] ?? 0}
            onChange={(most) => set([range[0] ?? most, most])}
          />
          <Button onPress={() => set(undefined)}>{t("screen.survey.no_doubt_of_it")}</Button>
        </Fields>
      ) : (
        <div>
          <Button
            onPress={() =>
              set([
                Math.round(defect.depth_mm * (1 - DOUBT) * 10) / 10,
                Math.round(defect.depth_mm * (1 + DOUBT) * 10) / 10,
              ])
            }
          >
            {t("screen.survey.it_may_be_more_or_less")}
          </Button>
        </div>
      )}
    </div>
  );
}

function BodyFields({ defect, put, fault }: Part<BodyDefect>) {
  const setCentre = (change: object) => put({ ...defect, centre: { ...defect.centre, ...change } });
  const setSize = (axis: number, size: number) =>
    put({ ...defect, size_mm: defect.size_mm.map((old, other) => (other === axis ? size : old)) });
  return (
    <>
      <Fields>
        <ClockField
          label={t("screen.survey.middle")}
          value={defect.centre.clock_deg}
          onChange={(clock_deg) => setCentre({ clock_deg })}
          fault={fault("centre/clock_deg")}
        />
        <LengthField
          label={t("screen.survey.off_the_axis_3")}
          value={defect.centre.r_mm}
          onChange={(r_mm) => setCentre({ r_mm })}
          fault={fault("centre/r_mm")}
        />
        <LengthField
          label={t("screen.survey.off_the_head_3")}
          value={defect.centre.z_mm}
          onChange={(z_mm) => setCentre({ z_mm })}
          fault={fault("centre/z_mm")}
        />
        {[t("screen.survey.in_and_out"), t("screen.survey.round"), t("screen.survey.along")].map((name, axis) => (
          <LengthField
            key={name}
            label={name}
            value={defect.size_mm[axis] ?? 0}
            onChange={(size) => setSize(axis, size)}
            fault={fault(`size_mm/${axis}`)}
          />
        ))}
        {defect.type === "galleries" && (
          <>
            <LengthField
              label={t("screen.survey.hole_across")}
              value={defect.hole_diameter_mm}
              onChange={(hole_diameter_mm) => put({ ...defect, hole_diameter_mm })}
              fault={fault("hole_diameter_mm")}
            />
            <NumberField
              label={t("screen.survey.holes_to_the_cm2")}
              value={defect.holes_per_cm2}
              onChange={(holes_per_cm2) => put({ ...defect, holes_per_cm2 })}
              fault={fault("holes_per_cm2")}
            />
          </>
        )}
        {defect.type === "bubble_pocket" && (
          <>
            <LengthField
              label={t("screen.survey.bubble_across")}
              value={defect.bubble_diameter_mm}
              onChange={(bubble_diameter_mm) => put({ ...defect, bubble_diameter_mm })}
              fault={fault("bubble_diameter_mm")}
            />
            <NumberField
              label={t("screen.survey.bubbles_to_the_cm3")}
              value={defect.bubbles_per_cm3}
              onChange={(bubbles_per_cm3) => put({ ...defect, bubbles_per_cm3 })}
              fault={fault("bubbles_per_cm3")}
            />
          </>
        )}
        {defect.type === "loose_piece" && (
          <NumberField
            label={t("screen.survey.of_its_back_held")}
            value={Math.round(defect.bonded_share * 1000) / 10}
            onChange={(percent) => put({ ...defect, bonded_share: percent / 100 })}
            fault={fault("bonded_share")}
          />
        )}
        {defect.type === "resin_body" && (
          <NumberField
            label={t("screen.survey.density_kg_m3")}
            value={defect.density_kg_m3}
            onChange={(density_kg_m3) => put({ ...defect, density_kg_m3 })}
            fault={fault("density_kg_m3")}
          />
        )}
      </Fields>
      <div style={{ marginBottom: 12 }}>
        {defect.type === "soft_zone" && (
          <Choice
            label={t("screen.survey.how_far_gone")}
            value={defect.grade}
            options={{
              firm: t("screen.survey.firm"),
              soft: t("screen.survey.soft"),
              spongy: t("screen.survey.spongy"),
            }}
            onChange={(grade) => put({ ...defect, grade })}
          />
        )}
        {defect.type === "hard_inclusion" && (
          <Choice
            label={t("screen.survey.what_it_is")}
            value={defect.of}
            options={{
              stone: t("screen.survey.stone"),
              metal: t("screen.survey.metal"),
              knot: t("screen.survey.knot"),
            }}
            onChange={(of) => put({ ...defect, of })}
          />
        )}
        {defect.type === "void" && (
          <Choice
            label={t("screen.survey.what_is_in_it")}
            value={defect.contents}
            options={{
              air: t("screen.survey.air"),
              dirt: t("screen.survey.dirt"),
              bark: t("screen.survey.bark"),
              stone: t("screen.survey.stone"),
            }}
            onChange={(contents) => put({ ...defect, contents })}
          />
        )}
      </div>
    </>
  );
}
