# frozen_string_literal: true

module MossyAnvil
  module Mend
    # Temperature and cure through the depth of a pour, over time: ρ c ∂T/∂t = λ ∂²T/∂z² + ρ ΔH dα/dt, heat leaving by
    # both faces.
    # Conduction is solved exactly in time between steps (matrix exponential over the nodes), half before and half after
    # the cure, which is stepped by the midpoint rule (Strang splitting). Tried and left: explicit steps (thousands for
    # a thin layer), implicit Euler (first order, a degree or two low at the peak).
    class Exotherm
      NODES = 31
      # What one step warms or cures at most, anywhere.
      STEP_K = 2.0
      STEP_CURED = 0.02
      MOST_S = 60 * 86_400.0
      MOST_STEPS = 6000

      # One moment of the run: s, and through the depth from the bottom up, C and share cured.
      Moment = Struct.new(:time_s, :celsius, :cured, keyword_init: true)

      attr_reader :depth_mm, :moments

      # What is poured and where. depth_mm; start_c of the resin; air_c: the shop's temperature, C, or a Proc of s that
      # gives it; top_h, bottom_h: heat lost by the faces, W/m2K; below: share of the depth, from the bottom, that is an
      # earlier layer, cured and at the air's temperature.
      Conditions =
        Struct.new(:depth_mm, :start_c, :air_c, :top_h, :bottom_h, :below, keyword_init: true) do
          def self.of(**given)
            losses = { top_h: Exotherm.loss("top"), bottom_h: Exotherm.loss("mould") }
            new(start_c: 20.0, air_c: 20.0, **losses, below: 0.0, **given)
          end
        end

      # kinetics: CureKinetics. conditions: as Conditions has them; depth_mm at least. finer: divides the steps by so
      # much.
      def initialize(kinetics, finer: 1, nodes: NODES, until_cured: CureKinetics::CURED, **conditions)
        given = Conditions.of(**conditions)
        @kinetics, @nodes, @finer, @until_cured = kinetics, nodes, finer, until_cured
        @depth_mm = given.depth_mm.to_f
        @air = given.air_c.respond_to?(:call) ? given.air_c : ->(_) { given.air_c.to_f }
        @slab = slab(given)
        @fresh = Numo::DFloat.new(nodes).seq.gt((given.below * (nodes - 1)) - 1e-9).cast_to(Numo::DFloat)
        @moments = run(given.start_c.to_f)
      end

      # Heat a face loses, W/m2K, by the table: "top" or "mould".
      def self.loss(face) = CureKinetics.table["loss_w_m2_k"].fetch(face)

      # Hottest anywhere, C, and when, s.
      def peak_c = hottest.celsius.max
      def peak_at_s = hottest.time_s

      # s until all of it has gelled; until all of it counts as cured.
      def gel_s = reached(CureKinetics::GELLED)
      def cured_s = reached(@until_cured)

      # s from which the next layer may go on: gelled, and nowhere warmer than the air by more than allowed.
      def next_layer_from_s
        over = CureKinetics.table["next_layer_over_shop_k"]
        last_warm = moments.rindex { |moment| moment.celsius.max > @air.call(moment.time_s) + over }
        [gel_s, last_warm ? moments[[last_warm + 1, moments.size - 1].min].time_s : 0.0].max
      end

      private

      def slab(given)
        CoolingSlab.new(
          @depth_mm,
          nodes: @nodes,
          diffusivity_m2_s: @kinetics.conductivity / (@kinetics.density_kg_m3 * @kinetics.heat_capacity),
          conductivity: @kinetics.conductivity,
          bottom_h: given.bottom_h,
          top_h: given.top_h
        )
      end

      def hottest = @hottest ||= moments.max_by { |moment| moment.celsius.max }

      # Between the two moments it falls in, in a straight line.
      def reached(share)
        index = moments.index { |moment| least_cured(moment) >= share } or return Float::INFINITY
        return moments[0].time_s if index.zero?

        before, after = moments[index - 1, 2]
        low, high = least_cured(before), least_cured(after)
        before.time_s + ((after.time_s - before.time_s) * (share - low) / (high - low))
      end

      def least_cured(moment) = moment.cured.min

      def run(start_c)
        air = @air.call(0.0)
        celsius = (@fresh * (start_c - air)) + air
        list = [Moment.new(time_s: 0.0, celsius: celsius, cured: 1 - @fresh)]
        @fastest = (@kinetics.rate(list[0].cured, celsius) * @fresh).max
        until list.last.cured.min >= @until_cured || list.last.time_s > MOST_S || list.size > MOST_STEPS * @finer
          list << after(list.last)
        end
        list
      end

      def after(moment)
        step = @slab.step_no_longer_than(longest_step / @finer)
        air = @air.call(moment.time_s + (step / 2))
        celsius, cured = curing(@slab.after(step / 2, moment.celsius, air), moment.cured, step)
        Moment.new(time_s: moment.time_s + step, celsius: @slab.after(step / 2, celsius, air), cured: cured)
      end

      # s in which nothing warms or cures by more than a step, going by the last one.
      def longest_step = [STEP_CURED, STEP_K / [@kinetics.adiabatic_rise_k, 1e-9].max].min / [@fastest, 1e-12].max

      # Cure without conduction over so many s; midpoint rule. What cures stays within 1.
      def curing(celsius, cured, step)
        half = @kinetics.rate(cured, celsius) * @fresh * (step / 2)
        rate = @kinetics.rate(cured + half, celsius + (half * @kinetics.adiabatic_rise_k)) * @fresh
        @fastest = rate.max
        gain = Numo::DFloat.minimum(rate * step, 1 - cured)
        [celsius + (gain * @kinetics.adiabatic_rise_k), cured + gain]
      end
    end
  end
end
