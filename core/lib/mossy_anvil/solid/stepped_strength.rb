# frozen_string_literal: true

module MossyAnvil
  module Solid
    # Rods of a grid in which strength falls by steps from the axis outwards: at the tip of every crack that comes in
    # from the side, by the share it takes of what is left there. Where the wood is sound but for them, all integrals
    # along r are exact and need no cells.
    class SteppedStrength
      NOWHERE_MM = 1e6
      # Wood of less than this share of its strength is not counted as wood that must hold.
      LIVE_SHARE = 0.05
      # An open step weakens the wood beside it from this share on so far that it is not counted as wood that must hold.
      OPEN_FROM = 1e-6
      GLUED = 1 - 1e-9

      # rods: their numbers, rising. tips_mm, taken, opens: for the first, second ... step from the axis on, one value a
      # rod; past its last step a rod has one nowhere, of 0. opens: 1 for a step of an open crack, 0 for a glue line.
      attr_reader :rods, :tips_mm, :taken, :opens

      # steps: [[PathCover::Step, share of strength lost where it weighs in whole], ...]
      def self.of(steps)
        # A glue line as strong as the wood takes nothing.
        from_axis, others = steps.select { |_, lost| lost.positive? }.partition { |step, _| step.from_axis? }
        others += from_axis.partition { |_, lost| lost >= 1 }.reject(&:empty?).map { |alike| merged(alike) }
        return none if others.empty?

        in_ranks(*sorted(table(others)))
      end

      # Rods, tips, what is taken there of all steps, and whether it is open, as the rows of one array.
      def self.table(steps)
        ends = steps.inject([0]) { |all, (step, _)| all << (all.last + step.size) }
        Numo::DFloat
          .zeros(4, ends.last)
          .tap do |whole|
            steps.zip(ends.each_cons(2)) do |(step, lost), (from, to)|
              whole[0..2, from...to] = step.table
              whole[2, from...to] *= lost
              whole[3, from...to] = lost < 1 ? 0 : 1
            end
          end
      end

      # The columns of a table in which anything is taken, by rod, and within a rod from the axis out.
      def self.sorted(table)
        table = table[true, table[2, true].gt(0).where].dup
        order = ((table[0, true] * (2 * NOWHERE_MM)) + table[1, true]).sort_index
        [Numo::Int32.cast(table[0, order]), table[1, order].dup, table[2, order].dup, table[3, order].dup]
      end

      # Steps that all begin at the axis and are all open, or all glued, as one.
      def self.merged(steps)
        left = left_of(steps)
        rods = left.lt(1).where
        open = steps.first.last >= 1
        weights = (left[rods] * -1) + 1
        # What a glue line takes is told as a share just under 1 of its weight, so that it stays a glue line.
        [PathCover::Step.of(rods, Numo::DFloat.zeros(rods.size), open ? weights : weights / GLUED), open ? 1.0 : GLUED]
      end
      private_class_method :merged, :table, :sorted

      def self.none = new(Numo::Int32[], [], [], [])

      # Share of each rod that steps leave.
      def self.left_of(steps)
        left = Numo::DFloat.ones(steps.map { |step, _| step.rods.max }.max + 1)
        steps.each { |step, lost| step.rods.then { |rods| left[rods] = left[rods].dup * ((step.weights * -lost) + 1) } }
        left
      end

      # From values in the order of #of to one array for the first of every rod, one for the second and so on.
      def self.in_ranks(rods, tips, taken, opens)
        return none if rods.empty?

        first, row, rank = ranks(rods)
        columns =
          [[tips, NOWHERE_MM], [taken, 0.0], [opens, 0.0]].map do |values, nowhere|
            Array.new(rank.max + 1) { |turn| of_rank(values, rank.eq(turn).where, row, first.size, nowhere) }
          end
        new(rods[first], *columns)
      end

      # Where each rod begins among rods in order and, of each place, the row of its rod and which of that rod's it is.
      def self.ranks(rods)
        begins = Numo::Bit.ones(rods.size)
        begins[1..] = rods[1..].ne(rods[0...-1]) if rods.size > 1
        first = begins.where
        row = Numo::Int32.cast(begins).cumsum - 1
        [first, row, Numo::Int32.new(rods.size).seq - first[row]]
      end

      def self.of_rank(values, there, row, rods, nowhere) =
        Numo::DFloat.new(rods).fill(nowhere).tap { |own| own[row[there]] = values[there] }
      private_class_method :in_ranks

      def initialize(rods, tips_mm, taken, opens)
        @rods, @tips_mm, @taken, @opens = rods, tips_mm, taken, opens
        @powers = {}
      end

      # Those that are not marked and those that are, by a Bit for every rod of the grid.
      def parted(marked)
        return self, self if @rods.empty?

        there = marked[@rods]
        [only(~there), only(there)]
      end

      # Only some of the rods: a Bit for each of its own.
      def only(chosen)
        at = chosen.where
        return SteppedStrength.none if at.empty?

        SteppedStrength.new(
          @rods[at].dup,
          *[@tips_mm, @taken, @opens].map { |columns| columns.map { |column| column[at].dup } }
        )
      end

      # What the integrals of strength * r^n dr, n = 0, 1, 2, up to the radii of a Turn::SectionPart lose against
      # sound wood: for each power one value a rod, not above 0.
      def wood_change(part)
        RunningIntegrals::POWERS.map do |power|
          reach = part.cut.raised(power + 1)[@rods].dup
          from_axis? ? InPlace.multiply(reach, drops(power + 1).first) : beyond_tips(reach, power + 1)
        end
      end

      # Sound wood holds no resin.
      def own_change(_part) = nil

      # Share that the steps leave in every cell of a grid, rods x cells: in one that a tip lies in, by how much of it
      # lies beyond.
      def left_in_cells(grid) = left_by(@taken, grid)

      # The same as if whatever is open took all: what is left of wood that must hold.
      def holding_in_cells(grid) = left_by(opened.map { |open| Numo::DFloat.cast(open) }, grid)

      # How far out there is wood that must hold: up to the first step that is open or leaves no more than LIVE_SHARE.
      # Wood beside an open crack tears before the piece parts; counted as wood that must hold, it would do so the more
      # the less of it there is.
      def last_mm
        @last_mm ||=
          lefts
            .drop(1)
            .zip(@tips_mm, opened)
            .inject(NOWHERE_MM) do |last, (left, tips, open)|
              live = Numo::DFloat.cast(left.gt(LIVE_SHARE) & ~open)
              Numo::DFloat.minimum(tips + (live * NOWHERE_MM), last)
            end
      end

      def first_mm = 0.0

      private

      def opened = @opened ||= @opens.zip(@taken).map { |opens, taken| (opens * taken).gt(OPEN_FROM) }

      def left_by(takes, grid)
        outer = grid.outer_edges_mm.reshape(1, grid.radial) / grid.radial_step_mm
        @tips_mm
          .zip(takes)
          .inject(nil) do |left, (tips, taken)|
            beyond = InPlace.clip(outer - tall(tips / grid.radial_step_mm), 0, 1)
            share = InPlace.add(InPlace.multiply(beyond, tall(taken * -1)), 1)
            left ? InPlace.multiply(left, share) : share
          end
      end

      def tall(values) = values.reshape(@rods.size, 1)

      # What is left before the first step, after it, after the second ...
      def lefts = @lefts ||= @taken.inject([1.0]) { |all, taken| all << (((taken * -1) + 1) * all.last) }

      def beyond_tips(reach, exponent)
        powers(exponent)
          .zip(drops(exponent))
          .inject(nil) do |sum, (tip, drop)|
            lost = InPlace.multiply(InPlace.clip(reach - tip, 0, nil), drop)
            sum ? InPlace.add(sum, lost) : lost
          end
      end

      # Do they all begin at the axis?
      def from_axis? = @tips_mm.size == 1 && (@highest ||= @tips_mm.first.max).zero?

      # What each step takes of sound strength, in the integral of r^(exponent - 1): below 0.
      def drops(exponent)
        @all_drops ||= @taken.zip(lefts).map { |taken, before| taken * before }
        (@drops ||= {})[exponent] ||= @all_drops.map { |drop| drop / -exponent }
      end

      def powers(exponent) = @powers[exponent] ||= @tips_mm.map { |tips| IntegrationLimit.power(tips, exponent) }
    end
  end
end
