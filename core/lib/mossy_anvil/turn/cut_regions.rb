# frozen_string_literal: true

module MossyAnvil
  module Turn
    # Sides of a cut as regions: heights at which the same is met go together.
    class CutRegions
      KINDS = %w[stone cracked interrupted dirt soft bark resin thin deep sound].freeze
      # From these shares of the sweep on something rules a height.
      LEAST = {
        "stone" => 0.0,
        "cracked" => 0.0,
        "air" => 0.15,
        "dirt" => 0.02,
        "soft" => 0.1,
        "bark" => 0.02,
        "resin" => 0.25
      }.freeze
      # Sound wood no higher than this between two places of trouble goes with them, and so many regions a side at most.
      LEAST_SOUND_MM, MOST = 6.0, 12
      # Inside, a region ends where the edge gets so far past the rest.
      DEPTHS_MM = [100.0, 150.0, 200.0, 300.0].freeze
      # The rest follows the cut in steps of this.
      REST_STEP_MM = 15.0
      LEAST_ML = 1e-4
      # A hollow that widens by more behind its mouth wants a tool that gets round.
      UNDERCUT_MM = 3.0

      # blank: on its centres. mouth_mm: z of the rest while the inside is cut. walls: WeakestWall where there is a wall
      # while this is cut, or nil. mount_n: z -> N or nil.
      def initialize(blank, mouth_mm:, walls:, mount_n:)
        @blank = blank
        @mouth_mm = mouth_mm
        @walls = walls
        @mount_n = mount_n
      end

      # List of CutRegion of a StepCuts::Cut, in the order of z.
      def of(cut)
        layers = CutCells.new(@blank, cut.heights, cut.from_mm, cut.to_mm).layers.select { |layer| cut?(cut, layer) }
        runs = layers.chunk_while { |one, other| sort_of(cut, one) == sort_of(cut, other) }.to_a
        sorted = runs.map { |run| [sort_of(cut, run.first).values_at(0, 2), run] }
        fewer(joined(sorted).map { |(kind, _), run| [kind, run] }).map { |kind, run| region(cut, kind, run) }
      end

      private

      # Is there anything to cut? Where the wood does not reach the form there is not.
      def cut?(cut, layer) = cut.finished && cut.side != "outside" || layer.volume_ml > LEAST_ML

      # [kind, how deep inside, is it behind the rim?].
      def sort_of(cut, layer)
        past = cut.side == "inside" ? DEPTHS_MM.count { |depth| overhang(cut, layer) > depth } : 0
        [kind_of(cut, layer, past), past, undercut(cut, [layer]) > UNDERCUT_MM]
      end

      def kind_of(cut, layer, past)
        ruling = LEAST.find { |stuff, least| layer.shares.fetch(stuff, 0.0) > least }
        return ruling[0] == "air" ? "interrupted" : ruling[0] if ruling
        return "thin" if on_wall?(cut) && thin?(layer)

        past.positive? ? "deep" : "sound"
      end

      def on_wall?(cut) = @walls && %w[inside outside].include?(cut.side)

      def thin?(layer)
        bears = @walls.least_n(layer.z_mm, layer.z_mm)
        bears && bears < Table["tools"]["wall"]["cut_n"]
      end

      def overhang(cut, layer)
        rest = Table["tools"]["rest_mm"]
        return rest + (layer.z_mm - @mouth_mm).abs if cut.side == "inside"

        rest + [(layer.from_mm - layer.to_mm).abs, REST_STEP_MM].min
      end

      # Short sound stretches with the trouble beside them. runs: [[[kind, is it behind the rim?], layers], ...].
      def joined(runs)
        runs.each_with_object([]) do |(sort, run), list|
          short = sort[0] == "sound" && run.sum(&:high_mm) < LEAST_SOUND_MM
          if list.any? && (short || list.last[0] == sort)
            list[-1] = [list.last[0], list.last[1] + run]
          else
            list << [sort, run]
          end
        end
      end

      # No more than MOST: the two neighbours that are lowest together become one, ruled by the worse.
      def fewer(runs)
        while runs.size > MOST
          at = (0...(runs.size - 1)).min_by { |place| runs[place, 2].sum { |_, run| run.size } }
          pair = runs[at, 2]
          runs[at, 2] = [[pair.map(&:first).min_by { |kind| KINDS.index(kind) }, pair.flat_map(&:last)]]
        end
        runs
      end

      def region(cut, kind, run)
        half = run.first.high_mm / 2
        from, to = run.first.z_mm - half, run.last.z_mm + half
        shares = mixed(run)
        CutRegion.new(
          side: cut.side,
          kind: kind,
          from_mm: from,
          to_mm: to,
          air_share: shares.fetch("air", 0.0),
          shares: shares,
          finished: cut.finished && surface?(cut, run),
          **taken(cut, run),
          **reached(cut, run),
          **borne(cut, from, to)
        )
      end

      # Of a face only what lies next to the piece is its surface.
      def surface?(cut, run)
        return true unless %w[face foot].include?(cut.side)

        middle = @blank.form.z_span_mm.sum / 2
        run.any? { |layer| (layer.z_mm - middle).abs <= (cut.heights - middle).abs.min + 1e-9 }
      end

      def taken(cut, run)
        {
          volume_ml: run.sum(&:volume_ml),
          area_cm2: area_cm2(cut, run),
          ids: run.flat_map(&:ids).uniq,
          depth_mm: run.map { |layer| (layer.from_mm - layer.to_mm).abs }.max,
          largest_mm: run.map(&:largest_mm).max,
          swath: run.map { |layer| layer.to_h.slice(:z_mm, :from_mm, :to_mm) }
        }
      end

      def reached(cut, run)
        far = run.map { |layer| (layer.z_mm - @mouth_mm).abs }.max + (run.first.high_mm / 2)
        {
          overhang_mm: run.map { |layer| overhang(cut, layer) }.max,
          undercut_mm: undercut(cut, run),
          down_mm: cut.side == "inside" ? far : nil
        }
      end

      # What wall and mount take there.
      def borne(cut, from, to)
        walls = on_wall?(cut) ? @walls : nil
        {
          wall_mm: walls&.least_wall_mm(from, to),
          wall_n: walls&.least_n(from, to),
          mount_n: [@mount_n.call(from), @mount_n.call(to)].compact.min
        }
      end

      # Shares over the sweep of several heights.
      def mixed(run)
        swept = run.map { |layer| [(layer.from_mm**2 - layer.to_mm**2).abs, 1e-9].max }
        run
          .zip(swept)
          .each_with_object(Hash.new(0.0)) do |(layer, part), sum|
            layer.shares.each { |stuff, share| sum[stuff] += share * part / swept.sum }
          end
      end

      # Of the surface that is left.
      def area_cm2(cut, run)
        return run.map { |layer| ring_mm2(layer) }.max / 100 if %w[face foot].include?(cut.side)

        slopes = run.each_cons(2).sum { |one, other| Math.hypot(other.to_mm - one.to_mm, one.high_mm) }
        2 * Math::PI * (run.sum(&:to_mm) / run.size) * (slopes + run.first.high_mm) / 100
      end

      def ring_mm2(layer) = Math::PI * (layer.from_mm**2 - layer.to_mm**2).abs

      # The narrowest the hollow gets between a height and the mouth is what a tool passes.
      def undercut(cut, run)
        return 0.0 unless cut.side == "inside"

        run.map { |layer| layer.to_mm - passage(cut, layer.z_mm) }.max.clamp(0.0, nil)
      end

      def passage(cut, z_mm)
        low, high = [z_mm, @mouth_mm].minmax
        between = cut.to_mm[cut.heights.ge(low) & cut.heights.le(high)]
        between.empty? ? Float::INFINITY : between.min
      end
    end
  end
end
