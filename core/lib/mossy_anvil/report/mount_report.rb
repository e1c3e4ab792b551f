# frozen_string_literal: true

module MossyAnvil
  module Report
    # How the piece is held from the first cut to the last: each step of the work with every mount judged for it, one
    # proposed, and whether the whole works.
    class MountReport
      STEPS = {
        hollow: [
          [:outside, :mouth, %w[screw faceplate centres glue_block hot_melt tape]],
          [:hollow, :foot, %w[tenon recess glue_block hot_melt]],
          [:foot, :mouth, %w[jam cone vacuum]]
        ],
        ring: [
          [:outside, :mouth, %w[screw faceplate glue_block hot_melt centres]],
          [:bore, :foot, %w[jam mandrel hot_melt tape]]
        ],
        sphere: [[:outside, :mouth, %w[centres screw faceplate glue_block]], [:ends, :foot, %w[cups jam]]],
        solid: [
          [:outside, :mouth, %w[centres screw faceplate glue_block hot_melt]],
          [:ends, :foot, %w[tenon recess collet jam glue_block tape]]
        ]
      }.freeze
      # A glued block is no wider where it would mark the piece.
      BLOCK_MM = 80.0
      # Steps that begin with a roughing cut.
      ROUGHED = %i[outside hollow bore].freeze
      # Steps at which the tool goes where the tailstock would be.
      FREE = %i[hollow bore].freeze
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
        @form = @blank.form
        @moisture_pct = about[:moisture_pct] || moisture_pct(climate, now)
        readings = about[:readings] || StageReadings.new(blank.material, climate, fineness)
        @solid = readings.solid(blank)
        @workings = Workings.new
        @stages = readings.reports(blank).to_h
      end

      # Plain data: steps, each with its mounts, the one proposed (or nil) first, and what else to look to; says: of the
      # whole; clearances.
      def to_h
        @to_h ||= tell.tap { @solid = nil }
      end

      # N of cutting force that the mount proposed for a step bears at a height, at its speed; nil where none holds, or
      # nothing is known of what it holds: then a light cut is all.
      def borne_n(key, z_mm)
        told = to_h[:steps].find { |one| one[:key] == key.to_s } or return
        mount = told[:mounts].find { |one| one[:key] == told[:proposed] } or return 0.0
        name, by = STEPS.fetch(family).find { |one, *| one == key.to_sym }
        load = Turn::MountLoad.new(**load(name, by), rpm: told[:limit_rpm])
        held_n(load, mount, (seat_mm(name, by) - z_mm).abs)
      end

      private

      # As it is now.
      def moisture_pct(climate, now)
        water = DryingReport.new(@blank, climate, Workings.new, now: now).to_h
        water ? water[:moisture_pct] : 0
      end

      def tell
        steps = STEPS.fetch(family).each_with_index.map { |(name, by, mounts), index| step(name, by, mounts, index) }
        {
          steps: steps,
          says: whole(steps),
          clearances: Turn::MountClearances.new(@blank, @stages[:blank][:swing_mm]).to_a,
          jaws_mm: circles_mm,
          jaws_are_own: own_jaws?,
          workings: @workings.to_h
        }
      end

      def family
        return :ring if @form.open_both_ends?
        return :sphere if @form.kind == "sphere"

        @form.hollow? ? :hollow : :solid
      end

      def circles_mm = own_jaws? ? @blank.lathe.jaws_mm : Table["mounts"]["jaws"]["circles_mm"]
      def own_jaws? = !@blank.lathe.nil? && @blank.lathe.jaws_mm.any?
      def opens_tail? = @form.opens == "tail"

      # The seat of a step: the mouth end or, at the foot, the shoulder of what holds it there.
      # What holds at the foot is rooted in the wood beyond the shoulder.
      def site(name, by) = Turn::MountSite.new(@solid, seat_mm(name, by), at_tail?(by) ? -1 : 1)

      def at_tail?(by) = (by == :mouth) == opens_tail?

      def seat_mm(name, by)
        ends = name == :outside ? [0.0, @blank.shape.length_mm] : @form.z_span_mm
        at_tail?(by) ? ends[1] : ends[0]
      end

      def step(name, by, mounts, index)
        site, load = site(name, by), load(name, by)
        judge = Turn::MountJudge.new(site, load, facts(name), @solid, circles_mm)
        ranked = ranked(judge, mounts)
        # Force that a tailstock carries is no reason to take the second best where the first is meant for it.
        proposed = ranked.first.verdict == :no ? nil : ranked.first
        {
          key: name.to_s,
          by: seat(by),
          stage: stage_of(name).to_s,
          rpm: load[:rpm],
          limit_rpm: [proposed&.limit_rpm, load[:rpm]].compact.min,
          **needs(name, judge.bearing, index, load),
          proposed: proposed&.key,
          tailstock: tailstock(name, proposed),
          mounts: ranked.map { |verdict| plain(verdict, site) }
        }
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
          need_with_tailstock_nm: FREE.include?(name) ? nil : bearing.need_with_tailstock_nm
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

      # Key of the end it is held by, under `seats`.
      def seat(by)
        return by.to_s if family == :hollow

        (by == :mouth) == opens_tail? ? "tail" : "head"
      end

      # The end that the tailstock comes to, "head" or "tail"; nil where the tool is in its way.
      def tailstock(name, proposed)
        return if FREE.include?(name) && proposed&.verdict != :tailstock

        held_by = STEPS.fetch(family).find { |key, *| key == name }[1]
        site(name, held_by).inward.positive? ? "tail" : "head"
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
        seat = seat_mm(name, by)
        reach = name == :outside ? @blank.shape.length_mm : @form.length_mm
        {
          force_n: ROUGHED.include?(name) ? loads["roughing_n"] : loads["light_n"],
          overhang_mm: reach,
          mass_g: stage[:mass_g],
          imbalance_g_mm: stage[:imbalance_g_mm],
          rpm: stage[:limit_rpm],
          centre_mm: (stage[:centre_of_mass_mm][2] - seat).abs
        }
      end

      # What the judge asks of this step and this form.
      def facts(name)
        made = holding_wood
        {
          tailstock: !FREE.include?(name),
          swing_mm: @stages.fetch(stage_of(name))[:swing_mm],
          waste_mm: waste_mm(name),
          block_mm: block_mm(name),
          moisture_pct: @moisture_pct,
          tenon_wood_mm: made[:length_mm],
          tenon_round_mm: made[:round_mm],
          foot_mm: 2 * foot_radius_mm,
          floor_mm: @form.floor_mm || @form.length_mm,
          rim_true: rim_true?,
          rim_mm: 2 * mouth_radius_mm,
          through: through
        }
      end

      def through = @through ||= @solid.openings ? @solid.openings.all.flat_map(&:ids) : []

      # A screw at the mouth goes into what is hollowed out, or into what lies beyond the form.
      def waste_mm(name)
        beyond = opens_tail? ? @blank.shape.length_mm - @form.z_span_mm[1] : @form.z_span_mm[0]
        return beyond unless name == :outside && @form.hollow?

        beyond + (@form.open_both_ends? ? @form.length_mm : @form.wall_depth_mm)
      end

      # A block no wider than where it is glued to will be cut away, or the foot.
      def block_mm(name)
        return [2 * foot_radius_mm, BLOCK_MM].min unless name == :outside

        @form.hollow? ? 2 * mouth_radius_mm : BLOCK_MM
      end

      def holding_wood
        low, high = @form.z_span_mm
        from, to = opens_tail? ? [0.0, low] : [high, @blank.shape.length_mm]
        length = to - from
        seat = Turn::MountSite.new(@solid, opens_tail? ? low : high, opens_tail? ? -1 : 1)
        {
          length_mm: length,
          round_mm: length < 1 ? 0.0 : seat.round_mm([length, Turn::MountHold.row("tenon")["length_mm"][1]].min)
        }
      end

      def ends_mm = @form.outside.points.values_at(0, -1).map(&:last)
      def foot_radius_mm = opens_tail? ? ends_mm[0] : ends_mm[1]
      def mouth_radius_mm = opens_tail? ? ends_mm[1] : ends_mm[0]

      # Does the wood reach the form all round the mouth?
      def rim_true?
        z_mm = opens_tail? ? @form.z_span_mm[1] : @form.z_span_mm[0]
        (
          @blank.shape.radius_mm(Numo::DFloat.new(96).seq * (360.0 / 96), Numo::DFloat.zeros(96) + z_mm) +
            Numo::DFloat.zeros(96)
        ).min >= mouth_radius_mm - 0.5
      end

      def stuck_at(step)
        say(
          :stop,
          "nothing_holds",
          step: Message.term("mount_steps.#{step[:key]}"),
          seat: Message.term("seats.#{step[:by]}"),
          instead: Message.of("mount_plan.instead.#{%w[hollow foot].include?(step[:key]) ? step[:key] : "other"}")
        )
      end

      # Advice on the whole: does each step leave something to hold the next by?
      def whole(steps)
        stuck = steps.find { |one| one[:proposed].nil? }
        return stuck_at(stuck) if stuck
        return say(:stop, "no_speed") if steps.any? { |one| one[:rpm].zero? }

        in_order(steps)
      end

      # The mounts proposed, one after the other, and what to mind with them.
      def in_order(steps)
        chosen = steps.map { |one| one[:mounts].first }
        care = chosen.any? { |mount| mount[:verdict] != "holds" }
        slow = slowest(chosen, steps)
        say(
          care ? :care : :go,
          ["order", *("tailstock" if care), *("slow" if slow.any?)].join("_"),
          mounts: [chosen.map { |mount| mount_message(mount) }, "messages"],
          **slow
        )
      end

      # The mount that bears less than the speed the piece itself would take, and up to which; empty where none does.
      def slowest(chosen, steps)
        mount, step = chosen.zip(steps).select { |one, _| one[:limit_rpm] }.min_by { |_, of| of[:limit_rpm] }
        mount ? { slowest: mount_message(mount), limit: [step[:limit_rpm], "rpm"] } : {}
      end

      def mount_message(mount) = Message.of("tables.mounts.#{mount[:key]}.name")
      def say(tone, key, **amounts) = { tone: tone.to_s, figure: nil, **Message.of("mount_plan.#{key}", **amounts) }
    end
  end
end
