# frozen_string_literal: true

module MossyAnvil
  # Rods of a grid in which strength falls by steps from the axis outwards: at the tip of every crack that comes in from the side, by the share it takes
  # of what is left there. Where the wood is sound but for them, all integrals along r are exact and need no cells.
  class SteppedRods
    NOWHERE_MM = 1e6

    # rods: their numbers, rising. tips_mm, taken: for the first, second ... step from the axis on, one value a rod; past its last step a rod has one nowhere, of 0.
    attr_reader :rods, :tips_mm, :taken

    # steps: [[PathCover::Step, share of strength lost where it weighs in whole], ...]
    def self.of(steps)
      return none if steps.empty?

      rods, tips, taken = %i[rods tips_mm].map { |name| Numo::NArray.hstack(steps.map { |step, _| step[name] }) }
                                          .push(Numo::DFloat.hstack(steps.map { |step, lost| step.weights * lost }))
      # By rod, and within a rod from the axis out.
      order = ((rods * (2 * NOWHERE_MM)) + tips).sort_index
      in_ranks(rods[order], tips[order], taken[order])
    end

    def self.none = new(Numo::Int32[], [], [])

    # From values in the order of #of to one array for the first of every rod, one for the second and so on.
    def self.in_ranks(rods, tips, taken)
      begins = Numo::Bit.ones(rods.size)
      begins[1..] = rods[1..].ne(rods[0...-1]) if rods.size > 1
      first = begins.where
      row = Numo::Int32.cast(begins).cumsum - 1
      rank = Numo::Int32.new(rods.size).seq - first[row]
      columns = Array.new(rank.max + 1) do |turn|
        there = rank.eq(turn).where
        [Numo::DFloat.new(first.size).fill(NOWHERE_MM).tap { |own| own[row[there]] = tips[there] },
         Numo::DFloat.zeros(first.size).tap { |own| own[row[there]] = taken[there] }]
      end
      new(rods[first], columns.map(&:first), columns.map(&:last))
    end
    private_class_method :in_ranks

    def initialize(rods, tips_mm, taken)
      @rods, @tips_mm, @taken = rods, tips_mm, taken
      @powers = {}
    end

    # Those that are not marked and those that are, by a Bit for every rod of the grid.
    def parted(marked)
      return [self, self] if @rods.empty?

      there = marked[@rods]
      [only(~there), only(there)]
    end

    # Only some of the rods: a Bit for each of its own.
    def only(chosen)
      at = chosen.where
      return SteppedRods.none if at.empty?

      SteppedRods.new(@rods[at].dup, *[@tips_mm, @taken].map { |columns| columns.map { |column| column[at].dup } })
    end

    # What the integrals of strength * r^n dr, n = 0, 1, 2, up to the radii of a Section::Part lose against sound wood: for each power one value a rod, not above 0.
    def wood_change(part)
      Section::POWERS.map do |power|
        reach = part.cut.raised(power + 1)[@rods].dup
        powers(power + 1).zip(drops).inject(0) { |sum, (tip, drop)| sum - ((reach - tip).clip(0, nil) * drop) } / (power + 1)
      end
    end

    # Sound wood holds no resin.
    def own_change(_part) = nil

    # Share that the steps leave in every cell of a grid, rods x cells: in one that a tip lies in, by how much of it lies beyond.
    def left_in_cells(grid)
      outer = grid.outer_edges_mm.reshape(1, grid.radial)
      @tips_mm.zip(@taken).inject(1) { |left, (tips, taken)| left * ((((outer - tall(tips)) / grid.radial_step_mm).clip(0, 1) * tall(taken * -1)) + 1) }
    end

    # How far out there is live wood: up to the first step that leaves no more than LIVE_SHARE. From the axis on it is all live.
    def last_mm
      @last_mm ||= lefts.drop(1).zip(@tips_mm).inject(NOWHERE_MM) { |last, (left, tips)| Numo::DFloat.minimum(tips + (Numo::DFloat.cast(left.gt(Section::LIVE_SHARE)) * NOWHERE_MM), last) }
    end

    def first_mm = 0.0

    private

    def tall(values) = values.reshape(@rods.size, 1)

    # What is left before the first step, after it, after the second ...
    def lefts = @lefts ||= @taken.inject([1.0]) { |all, taken| all << (((taken * -1) + 1) * all.last) }

    # What each step takes of sound strength.
    def drops = @drops ||= @taken.zip(lefts).map { |taken, before| taken * before }

    def powers(exponent) = @powers[exponent] ||= @tips_mm.map { |tips| Cut.power(tips, exponent) }
  end
end
