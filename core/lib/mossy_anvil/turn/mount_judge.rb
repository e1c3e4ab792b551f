# frozen_string_literal: true

module MossyAnvil
  module Turn
    # Judges each way of holding a piece for one step of the work: what it must bear, what it bears, and what forbids
    # it.
    class MountJudge
      include JawMounts

      # says: messages, one sentence each.
      Verdict = Struct.new(:key, :verdict, :hold_nm, :need_nm, :says, :size_mm, :limit_rpm, keyword_init: true)
      LEAST_BLOCK_MM = 20.0

      # site: MountSite; load: { force_n:, overhang_mm:, mass_g:, imbalance_g_mm:, rpm:, centre_mm: }; step: as
      # MountPlan's. circles_mm: of the jaws.
      def initialize(site, load, step, solid, circles_mm)
        @site = site
        @load = load
        @step = step
        @solid = solid
        @blank = solid.blank
        @form = @blank.form
        @circles_mm = circles_mm
        @table = Table["mounts"]
      end

      # Verdict of one mount, :holds, :tailstock, :slower or :no: see MountBearing.
      def call(key) = send(:"judge_#{key}")

      # What it must bear, MountBearing.
      def bearing
        @bearing ||=
          MountBearing.new(
            MountLoad.new(**@load),
            tailstock: @step[:tailstock],
            swing_mm: @step[:swing_mm],
            least_rpm: @blank.lathe&.min_rpm || 0
          )
      end

      private

      def row(key) = MountHold.row(key)

      # By how much it bears more than it must. says: a message.
      def weighed(key, hold_nm, says, size_mm: nil)
        answer = bearing.answer(hold_nm)
        limit = answer.verdict == :no ? nil : [answer.limit_rpm, bearing.own_rpm(key)].compact.min
        says = [says, answer.note && Message.of("mounts.bearing.#{answer.note}")].compact
        verdict(key, answer.verdict, says, limit, hold_nm: hold_nm, need_nm: bearing.need_nm, size_mm: size_mm)
      end

      # A Verdict, with its speed said where it has one.
      def verdict(key, verdict, says, limit, **rest)
        says += [Message.of("mounts.no_faster", limit: [limit, "rpm"])] if limit
        Verdict.new(key: key, verdict: verdict, says: says, limit_rpm: limit, **rest)
      end

      def no(key, why, **amounts)
        Verdict.new(
          key: key,
          verdict: :no,
          hold_nm: nil,
          need_nm: bearing.need_nm,
          says: [Message.of("mounts.not.#{why}", **amounts)]
        )
      end

      def with_tailstock(key, *says) =
        verdict(key, :tailstock, says, bearing.own_rpm(key), need_nm: bearing.need_with_tailstock_nm)
      def told(key, **amounts) = Message.of("mounts.#{key}", **amounts)
      def strength_mpa(share) = @blank.material.strength_across_mpa * share
      def end_grain? = @blank.material.grain == "end"
      def gravity = @blank.material.dry_density_kg_m3 / 1000.0
      def ids(list) = Message.ids(list)

      # Wood that will be cut away in any case, from this seat inward on the axis.
      def waste_mm = @step[:waste_mm]

      def judge_screw
        wide, long, most_seat = @table["screws"]["chuck"].values_at("diameter_mm", "length_mm", "seat_mm")
        over = long + @table["clear_mm"] - waste_mm
        return no("screw", "screw_too_long", past: [over, "mm"]) if over.positive?

        struck = @site.struck(0.0, 0.0, (wide / 2.0) + @table["screw_clear_mm"], long)
        return no("screw", "screw_into_defect", ids: ids(struck)) if struck.any?

        seat = [most_seat, @site.round_mm(long)].min
        says = told("screw", screw: [wide, "mm"], deep: [long, "mm"], seat: [seat, "mm"])
        weighed("screw", MountHold.screw_nm(pull_n(wide, long), seat), says, size_mm: seat)
      end

      # Of the screw on the axis.
      def pull_n(wide_mm, long_mm)
        share = @site.strength_share([wide_mm / 2.0], long_mm)
        MountHold.withdrawal_n(gravity, wide_mm, long_mm, end_grain: end_grain?) * share
      end

      # nil where the wood is thick and wide enough for its screws.
      def unfit_for_plate(long_mm, circle_mm)
        over = long_mm + @table["clear_mm"] - waste_mm
        return no("faceplate", "screws_too_long", past: [over, "mm"]) if over.positive?
        return unless @site.round_mm < circle_mm

        no("faceplate", "face_too_small", flat: [@site.round_mm, "mm"], circle: [circle_mm, "mm"])
      end

      def judge_faceplate
        own = @table["screws"]["plate"]
        refused = unfit_for_plate(own["length_mm"], own["circle_mm"] + 10)
        return refused if refused

        screws = PlateScrews.new(@site, own, @table["screw_clear_mm"])
        return no("faceplate", "too_few_screws", ids: ids(screws.struck)) if screws.sound < @table["sound_screws"]

        pull = MountHold.withdrawal_n(gravity, own["diameter_mm"], own["length_mm"], end_grain: end_grain?)
        weighed(
          "faceplate",
          MountHold.plate_nm(screws.pulls_n(pull), own["circle_mm"]),
          screws.says,
          size_mm: own["circle_mm"]
        )
      end

      def judge_centres
        ends = [MountSite.new(@solid, 0.0, 1), MountSite.new(@solid, @blank.shape.length_mm, -1)]
        point = @table["point"]
        struck = ends.flat_map { |site| site.struck(0.0, 0.0, point["radius_mm"], point["deep_mm"]) }.uniq
        return no("centres", "point_into_defect", ids: ids(struck)) if struck.any?

        with_tailstock("centres", told("centres"))
      end

      def judge_glue_block = glued("glue_block")
      def judge_hot_melt = glued("hot_melt")
      def judge_tape = glued("tape")

      def glued(key)
        own = row(key)
        size = @site.round_mm.clamp(0, @step[:block_mm])
        return no(key, "glue_face_too_small", flat: [size, "mm"]) if size < LEAST_BLOCK_MM

        water = @step[:moisture_pct]
        return no(key, "too_wet", now: [water, "%"], gate: [own["dry_to_pct"], "%"]) if water > own["dry_to_pct"]

        open = @site.runs_through(size / 2, 3)
        share = @site.strength_share([size / 6, size / 3], 3.0)
        return no(key, "defect_under_glue", ids: ids(open)) if open.any?

        weighed(
          key,
          MountHold.glued_nm(key, size, strength_mpa(share)),
          told(own.key?("bead_mm") ? "bead" : "glued", block: [size, "mm"]),
          size_mm: size
        )
      end

      # Pushed onto the rim it opens what opens the wall.
      def judge_jam
        return no("jam", "presses_open", ids: ids(@step[:through])) if @step[:through].any?

        rim_held("jam")
      end

      # A cone finds its own middle inside, whatever the rim.
      def judge_cone = pressed("cone")

      # What holds by the rim wants one that is true.
      def rim_held(key) = @step[:rim_true] ? pressed(key) : no(key, "rim_not_true")

      def pressed(key)
        through = @step[:through]
        with_tailstock(key, told(key), *(through.any? ? [told("wrap", ids: ids(through))] : []))
      end

      def judge_vacuum
        leaks =
          @step[:through] +
            @solid.left_at(:hollowed).select { |defect| %w[galleries bubble_pocket].include?(defect.type) }.map(&:id)
        return no("vacuum", "leaks", ids: ids(leaks.uniq)) if leaks.any?
        return no("vacuum", "does_not_seal") unless @step[:rim_true]

        weighed(
          "vacuum",
          MountHold.vacuum_nm(@step[:rim_mm]),
          told("vacuum", seal: [@step[:rim_mm], "mm"]),
          size_mm: @step[:rim_mm]
        )
      end

      def judge_mandrel
        return no("mandrel", "no_bore") unless @form.open_both_ends?

        with_tailstock("mandrel", told("mandrel", bore: [2 * @form.inside.points.map(&:last).min, "mm"]))
      end

      def judge_cups
        return no("cups", "not_a_sphere") unless @form.kind == "sphere"

        with_tailstock("cups", told("cups"))
      end
    end
  end
end
