# frozen_string_literal: true

module MossyAnvil
  # Papers to go through, how fast the work may turn under them, and how much skin there is to finish.
  class FinishReport
    def initialize(solid, final_swing_mm, workings, finish: "oil")
      @solid = solid
      @swing_mm = final_swing_mm
      @workings = workings
      @finish = finish
    end

    def to_h
      mark = deepest_mark
      last = Table["grits"]["end_grit"].fetch(@finish)
      { finish: @finish, deepest_mark_mm: mark, grits: GritSequence.from_mark(mark, last_grit: last, material_kind: @solid.blank.material.kind),
        sanding_rpm: sanding_rpm }
    end

    private

    # Soft wood left in the skin tears deeper than sound wood.
    def deepest_mark
      torn = @solid.left_at(:hollowed).any? { |defect| defect.type == "soft_zone" && defect.detail[:grade] != "firm" }
      @workings.put("/finish/deepest_mark_mm", value: Table["grits"]["default_mark_mm"][torn ? "soft" : "sound"], unit: "mm", certainty: :rule_of_thumb,
        source: "Rule of thumb; measure the worst mark and use that", inputs: {},
        formula: torn ? "tear-out to expect in the soft wood that stays" : "marks to expect from a clean cut in sound wood")
    end

    def sanding_rpm
      kind = @solid.blank.material.kind == "wood" ? "wood" : "resin_dry"
      speed = Table["grits"]["surface_m_s"][kind]
      @workings.put("/finish/sanding_rpm", value: GritSequence.rpm(speed, @swing_mm), unit: "rpm", certainty: :rule_of_thumb,
        source: Table["grits"]["surface_source"], formula: "surface speed over pi times the largest diameter",
        inputs: { "surface speed" => [speed, "m/s"], "diameter" => [@swing_mm, "mm"] })
    end
  end
end
