# frozen_string_literal: true

module MossyAnvil
  module Turn
    # Judges each way of holding a piece for one step of the work: what it must bear, what it bears, and what forbids
    # it.
    class MountJudge
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
        own = @table["screws"]["chuck"]
        seat = [own["seat_mm"], @site.round_mm(own["length_mm"])].min
        over = own["length_mm"] + @table["clear_mm"] - waste_mm
        return no("screw", "screw_too_long", past: [over, "mm"]) if over.positive?

        struck = @site.struck(0.0, 0.0, (own["diameter_mm"] / 2.0) + @table["screw_clear_mm"], own["length_mm"])
        return no("screw", "screw_into_defect", ids: ids(struck)) if struck.any?

        share = @site.strength_share([own["diameter_mm"] / 2.0], own["length_mm"])
        pull = MountHold.withdrawal_n(gravity, own["diameter_mm"], own["length_mm"], end_grain: end_grain?) * share
        weighed(
          "screw",
          MountHold.screw_nm(pull, seat),
          told("screw", screw: [own["diameter_mm"], "mm"], deep: [own["length_mm"], "mm"], seat: [seat, "mm"]),
          size_mm: seat
        )
      end

      def judge_faceplate
        own = @table["screws"]["plate"]
        over = own["length_mm"] + @table["clear_mm"] - waste_mm
        return no("faceplate", "screws_too_long", past: [over, "mm"]) if over.positive?

        if @site.round_mm < own["circle_mm"] + 10
          return no("faceplate", "face_too_small", flat: [@site.round_mm, "mm"], circle: [own["circle_mm"] + 10, "mm"])
        end

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

      def judge_tenon
        refused = short_tenon
        return refused if refused

        size = tenon_mm or return no("tenon", "no_jaws", most: [tenon_room_mm, "mm"])
        open = @site.runs_through(size / 2, row("tenon")["length_mm"][1])
        return no("tenon", "defect_under_tenon", ids: ids(open)) if open.any?

        share = @site.strength_share([size / 6, size / 3, size * 0.45], row("tenon")["length_mm"][1])
        small = size < row("tenon")["least_diameter_of_piece"] * 2 * @form.outside.largest_mm
        says =
          told(
            small ? "tenon_small" : "tenon",
            tenon: [size, "mm"],
            long: [[@step[:tenon_wood_mm], row("tenon")["length_mm"][1]].min, "mm"]
          )
        weighed("tenon", MountHold.tenon_nm(size, strength_mpa(share)), says, size_mm: size)
      end

      # Why there is not length enough for one; nil where there is.
      def short_tenon
        wood = @step[:tenon_wood_mm]
        length = { length: [wood, "mm"] }
        return no("tenon", "no_tenon_wood", **length) if wood < row("tenon")["length_mm"][0]
        return if @step[:tailstock] || wood >= free_tenon_mm

        no("tenon", "tenon_too_short", **length, least: [free_tenon_mm, "mm"])
      end

      # Shortest that holds it free.
      def free_tenon_mm = [@table["free_tenon_share"] * 2 * @form.outside.largest_mm, row("tenon")["length_mm"][0]].max

      # As large as the wood at the foot gives; the shoulder is left round it where it can be.
      def tenon_room_mm = [@step[:tenon_round_mm], @step[:foot_mm]].min

      # Within the play of the largest jaws it has room for.
      def tenon_mm
        play = @table["jaws"]["play_mm"]
        @circles_mm
          .select { |circle| circle - play <= tenon_room_mm }
          .max
          &.then { |circle| [circle, tenon_room_mm].min }
      end

      def judge_recess
        own = row("recess")
        return no("recess", "recess_splits") if end_grain?

        size = recess_mm or
          return(
            no(
              "recess",
              "foot_too_narrow",
              foot: [@step[:foot_mm], "mm"],
              wall: [wall_mm, "mm"],
              jaws: [@circles_mm.min, "mm"]
            )
          )
        left = @step[:floor_mm] - own["depth_mm"][0]
        return no("recess", "floor_too_thin", left: [[left, 0].max, "mm"]) if left < @table["recess_floor_mm"]

        open = @site.runs_through((size / 2) + wall_mm, own["depth_mm"][1])
        return no("recess", "recess_across_defect", ids: ids(open)) if open.any?

        wall = [(@step[:foot_mm] - size) / 2, wall_mm].max
        share = @site.strength_share([(size / 2) + (wall / 2)], own["depth_mm"][1])
        says = told("recess", recess: [size, "mm"], deep: [own["depth_mm"][0], "mm"], wall: [wall, "mm"])
        weighed("recess", MountHold.recess_nm(size, wall_mm, strength_mpa(share)), says, size_mm: size)
      end

      def wall_mm = @solid.weakest_left < 1 ? row("recess")["wall_soft_mm"] : row("recess")["wall_sound_mm"]
      def recess_mm = @circles_mm.select { |circle| circle + (2 * wall_mm) <= @step[:foot_mm] }.max&.to_f

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

      def judge_collet
        own = row("collet")
        size = [tenon_room_mm, own["most_diameter_mm"]].min
        if @step[:tenon_wood_mm] < own["wood_lost_mm"]
          return no("collet", "no_stub_wood", length: [@step[:tenon_wood_mm], "mm"])
        end
        return no("collet", "stub_too_thin", room: [size, "mm"]) if size < own["least_diameter_mm"]

        open = @site.runs_through(size / 2, own["wood_lost_mm"])
        return no("collet", "defect_in_stub", ids: ids(open)) if open.any?

        strength = strength_mpa(@site.strength_share([size / 4], own["wood_lost_mm"].to_f))
        weighed(
          "collet",
          MountHold.modulus_mm3(size) * strength / own["reserve"] * MountHold::NM,
          told("collet", stub: [size, "mm"]),
          size_mm: size
        )
      end

      def judge_cups
        return no("cups", "not_a_sphere") unless @form.kind == "sphere"

        with_tailstock("cups", told("cups"))
      end
    end
  end
end
