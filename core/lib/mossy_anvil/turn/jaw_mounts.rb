# frozen_string_literal: true

module MossyAnvil
  module Turn
    # What jaws hold by, as MountJudge judges it: a tenon, a recess, a stub in a collet.
    module JawMounts
      private

      def judge_tenon
        refused = short_tenon
        return refused if refused

        size = tenon_mm or return no("tenon", "no_jaws", most: [tenon_room_mm, "mm"])
        longest = row("tenon")["length_mm"][1]
        open = @site.runs_through(size / 2, longest)
        return no("tenon", "defect_under_tenon", ids: ids(open)) if open.any?

        tenon(size, longest)
      end

      def tenon(size, longest)
        share = @site.strength_share([size / 6, size / 3, size * 0.45], longest)
        small = size < row("tenon")["least_diameter_of_piece"] * 2 * @form.outside.largest_mm
        long = [@step[:tenon_wood_mm], longest].min
        says = told(small ? "tenon_small" : "tenon", tenon: [size, "mm"], long: [long, "mm"])
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

        size = recess_mm or return foot_too_narrow
        least, most = own["depth_mm"]
        left = @step[:floor_mm] - least
        return no("recess", "floor_too_thin", left: [[left, 0].max, "mm"]) if left < @table["recess_floor_mm"]

        open = @site.runs_through((size / 2) + wall_mm, most)
        open.any? ? no("recess", "recess_across_defect", ids: ids(open)) : recess(size, least, most)
      end

      def foot_too_narrow =
        no(
          "recess",
          "foot_too_narrow",
          foot: [@step[:foot_mm], "mm"],
          wall: [wall_mm, "mm"],
          jaws: [@circles_mm.min, "mm"]
        )

      def recess(size, least_mm, most_mm)
        wall = [(@step[:foot_mm] - size) / 2, wall_mm].max
        share = @site.strength_share([(size / 2) + (wall / 2)], most_mm)
        says = told("recess", recess: [size, "mm"], deep: [least_mm, "mm"], wall: [wall, "mm"])
        weighed("recess", MountHold.recess_nm(size, wall_mm, strength_mpa(share)), says, size_mm: size)
      end

      def wall_mm = @solid.weakest_left < 1 ? row("recess")["wall_soft_mm"] : row("recess")["wall_sound_mm"]
      def recess_mm = @circles_mm.select { |circle| circle + (2 * wall_mm) <= @step[:foot_mm] }.max&.to_f

      def judge_collet
        own, length = row("collet"), @step[:tenon_wood_mm]
        size, lost = [tenon_room_mm, own["most_diameter_mm"]].min, own["wood_lost_mm"]
        return no("collet", "no_stub_wood", length: [length, "mm"]) if length < lost
        return no("collet", "stub_too_thin", room: [size, "mm"]) if size < own["least_diameter_mm"]

        open = @site.runs_through(size / 2, lost)
        open.any? ? no("collet", "defect_in_stub", ids: ids(open)) : collet(size, lost.to_f)
      end

      def collet(size, deep_mm)
        strength = strength_mpa(@site.strength_share([size / 4], deep_mm))
        hold = MountHold.modulus_mm3(size) * strength / row("collet")["reserve"] * MountHold::NM
        weighed("collet", hold, told("collet", stub: [size, "mm"]), size_mm: size)
      end
    end
  end
end
