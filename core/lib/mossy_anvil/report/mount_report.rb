# frozen_string_literal: true

module MossyAnvil
  module Report
    # How the piece is held from the first cut to the last: each step of the work with every mount judged for it, one
    # proposed, and whether the whole works.
    class MountReport
      # Steps that begin with a roughing cut.
      ROUGHED = %i[outside hollow bore].freeze
      # What holds stands first.
      ORDER = { holds: 0, tailstock: 1, slower: 2, no: 3 }.freeze
      # The stage whose weight, imbalance and limit a step begins with.
      STAGES = { outside: :blank, hollow: :outside, foot: :hollowed, bore: :outside, ends: :outside }.freeze

      # Keys of the mounts that do not hold on wood so wet; else its water makes no difference.
      def self.too_wet(moisture_pct) =
        Table.rows("mounts").filter_map { |row| row["key"] if moisture_pct > row.fetch("dry_to_pct", 100) }

      # blank: as surveyed, with a form. now: Time, or nil to take its water as last read. about: moisture_pct: what it
      # has when it is held, where that is not its water now; readings: StageReadings that know the blank already.
      # Raises InvalidInput under `at`.
      def initialize(blank, climate: ShopClimate.new, now: nil, at: "", fineness: :default, **about)
        unless blank.form
          raise InvalidInput.at("#{at}/form", Fault.t("is_missing"), Fault.t("a_form_how_it_is_held_follows"))
        end

        @blank = blank.on_centres
        readings = about[:readings] || StageReadings.new(blank.material, climate, fineness)
        @solid = readings.solid(blank)
        @held = HeldForm.new(@blank, @solid, about[:moisture_pct] || moisture_pct(climate, now))
        @workings = Workings.new
        @stages = readings.reports(blank).to_h
      end

      # Plain data: steps, each with its mounts, the one proposed (or nil) first, and what else to look to; says: of the
      # whole; clearances.
      def to_h
        @to_h ||=
          tell.tap do
            @solid = nil
            @held.let_go
          end
      end

      # N of cutting force that the mount proposed for a step bears at a height, at its speed; nil where none holds, or
      # nothing is known of what it holds: then a light cut is all.
      def borne_n(key, z_mm)
        told = to_h[:steps].find { |one| one[:key] == key.to_s } or return
        mount = told[:mounts].find { |one| one[:key] == told[:proposed] } or return 0.0
        name = key.to_sym
        by = @held.held_by(name)
        load = Turn::MountLoad.new(**load(name, by), rpm: told[:limit_rpm])
        held_n(load, mount, (@held.seat_mm(name, by) - z_mm).abs)
      end

      private

      # As it is now.
      def moisture_pct(climate, now)
        water = DryingReport.new(@blank, climate, Workings.new, now: now).to_h
        water ? water[:moisture_pct] : 0
      end

      def tell
        steps = @held.steps.each_with_index.map { |(name, by, mounts), index| step(name, by, mounts, index) }
        {
          steps: steps,
          says: MountOrder.new(steps).advice,
          clearances: Turn::MountClearances.new(@blank, @stages[:blank][:swing_mm]).to_a,
          jaws_mm: @held.circles_mm,
          jaws_are_own: @held.own_jaws?,
          workings: @workings.to_h
        }
      end

      def step(name, by, mounts, index)
        site, load = @held.site(name, by), load(name, by)
        judge = judge(name, site, load)
        ranked = ranked(judge, mounts)
        # Force that a tailstock carries is no reason to take the second best where the first is meant for it.
        proposed = ranked.first.verdict == :no ? nil : ranked.first
        {
          key: name.to_s,
          by: @held.seat(by),
          stage: stage_of(name).to_s,
          rpm: load[:rpm],
          limit_rpm: [proposed&.limit_rpm, load[:rpm]].compact.min,
          **needs(name, judge.bearing, index, load),
          proposed: proposed&.key,
          tailstock: tailstock(name, proposed),
          mounts: ranked.map { |verdict| plain(verdict, site) }
        }
      end

      def judge(name, site, load)
        swing_mm = @stages.fetch(stage_of(name))[:swing_mm]
        Turn::MountJudge.new(site, load, @held.facts(name, swing_mm), @solid, @held.circles_mm)
      end

      def held_n(load, mount, lever_mm)
        return load.force_n if mount[:hold_nm].nil?

        load.bears_n(mount[:hold_nm], lever_mm: lever_mm, tailstock: mount[:verdict] == "tailstock")
      end

      # As the table has them where they hold alike.
      def ranked(judge, mounts)
        verdicts = mounts.map { |key| judge.call(key) }
        verdicts.each_with_index.sort_by { |verdict, place| [ORDER.fetch(verdict.verdict), place] }.map(&:first)
      end

      def needs(name, bearing, index, load) =
        {
          need_nm: put(index, "need_nm", bearing.need_nm, load),
          need_with_tailstock_nm: @held.free?(name) ? nil : bearing.need_with_tailstock_nm
        }

      def put(index, key, value, load)
        @workings.put(
          "/steps/#{index}/#{key}",
          value: value,
          unit: "N m",
          certainty: :rule_of_thumb,
          source: "textbook_mechanics_cutting_forces_as",
          formula: "cutting_force_at_its_overhang",
          inputs: {
            "cutting_force" => [load[:force_n], "N"],
            "overhang" => [load[:overhang_mm], "mm"],
            "mass" => [load[:mass_g], "g"],
            "imbalance" => [load[:imbalance_g_mm], "g mm"],
            "speed" => [load[:rpm], "rpm"],
            "seat_to_centre_of_mass" => [load[:centre_mm], "mm"]
          }
        )
      end

      # The end that the tailstock comes to, "head" or "tail"; nil where the tool is in its way.
      def tailstock(name, proposed)
        return if @held.free?(name) && proposed&.verdict != :tailstock

        @held.site(name, @held.held_by(name)).inward.positive? ? "tail" : "head"
      end

      def plain(verdict, seat)
        row = Turn::MountHold.row(verdict.key)
        {
          key: verdict.key,
          verdict: verdict.verdict.to_s,
          hold_nm: verdict.hold_nm,
          need_nm: verdict.need_nm,
          margin: verdict.hold_nm && (verdict.need_nm.zero? ? nil : verdict.hold_nm / verdict.need_nm),
          size_mm: verdict.size_mm,
          limit_rpm: verdict.limit_rpm,
          drawn: Turn::MountDrawing.parts(verdict.key, verdict.size_mm, seat),
          says: verdict.says,
          wood_lost_mm: row["wood_lost_mm"]
        }
      end

      def stage_of(name) = @stages.key?(STAGES.fetch(name)) ? STAGES.fetch(name) : @stages.keys.last

      def load(name, by)
        stage = @stages.fetch(stage_of(name))
        loads = Table["mounts"]["loads"]
        seat = @held.seat_mm(name, by)
        reach = name == :outside ? @blank.shape.length_mm : @blank.form.length_mm
        {
          force_n: ROUGHED.include?(name) ? loads["roughing_n"] : loads["light_n"],
          overhang_mm: reach,
          mass_g: stage[:mass_g],
          imbalance_g_mm: stage[:imbalance_g_mm],
          rpm: stage[:limit_rpm],
          centre_mm: (stage[:centre_of_mass_mm][2] - seat).abs
        }
      end
    end
  end
end
