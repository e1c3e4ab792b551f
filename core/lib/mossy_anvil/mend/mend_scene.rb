# frozen_string_literal: true

module MossyAnvil
  # How the blank stands before a step of its mending, and what is known round it. Each step gives back the scene after it.
  class MendScene
    attr_reader :blank, :moisture_pct, :added_g, :assessed, :shares, :water, :climate, :records

    # blank: as mended so far. assessed: the assessment before any mending, plain data; shares: { id => DefectShare } of it. water: DryingReport or nil.
    # moisture_pct: inside, now. added_g: resin drawn into the wood so far. records: ShopRecords.
    def initialize(blank:, assessed:, shares:, water:, climate:, records:, moisture_pct:, added_g: 0.0)
      @blank = blank
      @assessed = assessed
      @shares = shares
      @water = water
      @climate = climate
      @records = records
      @moisture_pct = moisture_pct
      @added_g = added_g
      freeze
    end

    def wooden? = blank.material.wooden?
    def shop_c = climate.temperature_c

    # What was reckoned of the defect of that id before any mending.
    def report_of(id) = assessed[:defects].find { |defect| defect[:id] == id }

    # The same with some defects replaced: { id => another, or nil where nothing is left of it }.
    def mended(changes, added_g: 0.0)
      others = blank.defects.filter_map { |defect| changes.key?(defect.id) ? changes[defect.id] : defect }
      with(blank: blank.with_defects(others), added_g: self.added_g + added_g)
    end

    # The same at another moisture: the wood with it.
    def dried(to_pct)
      return self unless wooden? && to_pct < moisture_pct

      material = blank.material
      known = { kind: material.kind, species: material.species, grain: material.grain, grain_clock_deg: material.grain_clock_deg, character: material.character }
      with(moisture_pct: to_pct,
        blank: blank.with_material(Material.new(**known, moisture_pct: to_pct, density_kg_m3: material.dry_density_kg_m3 * (1 + (to_pct / 100.0)))))
    end

    private

    def with(**changes)
      MendScene.new(blank: blank, assessed: assessed, shares: shares, water: water, climate: climate, records: records, moisture_pct: moisture_pct, added_g: added_g,
        **changes)
    end
  end
end
