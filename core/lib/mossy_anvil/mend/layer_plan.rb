# frozen_string_literal: true

module MossyAnvil
  module Mend
    # A pour in layers thin enough that none of them gets too hot: how many, how thick, how hot each, and when the next
    # may go on.
    class LayerPlan
      LEAST_MM = 1.0
      DEPTH_TRIES = 7
      MOST_LAYERS = 60

      # thick_mm; peak_c and when, s; gel_s; the window for the next layer, s from pouring (until: nil where it never
      # closes before it counts as cured).
      Layer = Struct.new(:thick_mm, :peak_c, :peak_at_s, :gel_s, :next_from_s, :next_until_s, keyword_init: true)

      attr_reader :depth_mm

      # depth_mm of the whole pour. sheet_mm: deepest the product's sheet allows at once, or nil. heat: as Exotherm
      # takes it (start_c, air_c, top_h, bottom_h).
      # on_mould_c: C that a first layer of so many mm starts at, where the mould is warmer or colder than the resin.
      def initialize(kinetics, depth_mm, sheet_mm: nil, on_mould_c: nil, **heat)
        @kinetics = kinetics
        @on_mould_c = on_mould_c
        @depth_mm = depth_mm.to_f
        @sheet_mm = sheet_mm
        @heat = heat
      end

      # All of it at once, whatever it comes to.
      def at_once = @at_once ||= run(@depth_mm)

      # Deepest single pour, mm, that stays within the peak that is fine; no more than this pour is deep.
      def deepest_mm
        @deepest_mm ||= at_once.peak_c <= fine_c ? @depth_mm : by_halving
      end

      # By heat or by the sheet, whichever is less.
      def limit_mm = [deepest_mm, @sheet_mm].compact.min.to_f

      # Layers from the bottom up, evenly thick: the fewest of which none gets too hot, also on top of the one before.
      def layers
        @layers ||=
          begin
            count = (@depth_mm / limit_mm - 1e-9).ceil.clamp(1, MOST_LAYERS)
            found = even(count)
            found = even(count += 1) while count < MOST_LAYERS && too_hot?(found)
            found
          end
      end

      # Not even thin layers stay within what is fine: the resin is too quick for it.
      def hopeless? = deepest_mm <= LEAST_MM + 0.1 || too_hot?(layers)

      # The run of the first layer, for a picture.
      def first_run = run(layers.first.thick_mm)

      private

      def fine_c = CureKinetics.table["peaks_c"]["fine"]
      def too_hot?(layers) = layers.map(&:peak_c).max > fine_c + 0.5

      def run(thick_mm, below: 0.0)
        start = below.zero? && @on_mould_c ? { start_c: @on_mould_c.call(thick_mm) } : {}
        (@runs ||= {})[[thick_mm, below]] ||= Exotherm.new(
          @kinetics,
          depth_mm: thick_mm / (1 - below),
          below: below,
          **@heat,
          **start
        )
      end

      # A pour so deep is fine, one twice so deep may not be: found between on a log scale.
      def by_halving
        low, high = LEAST_MM, @depth_mm
        DEPTH_TRIES.times do
          middle = Math.sqrt(low * high)
          run(middle).peak_c <= fine_c ? low = middle : high = middle
        end
        low
      end

      # The first lies on the mould, the second on the first; those after are as the second, with as much cured resin
      # under them as matters.
      def even(count)
        thick = @depth_mm / count
        first = layer(thick, 0.0)
        count == 1 ? [first] : [first, *Array.new(count - 1, layer(thick, 0.5))]
      end

      def layer(thick, below)
        ran = run(thick, below: below)
        Layer.new(
          thick_mm: thick,
          peak_c: ran.peak_c,
          peak_at_s: ran.peak_at_s,
          gel_s: ran.gel_s,
          next_from_s: ran.next_layer_from_s,
          next_until_s: ran.cured_s
        )
      end
    end
  end
end
