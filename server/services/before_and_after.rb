# frozen_string_literal: true

module MossyAnvil
  module Server
    module Services
      # Two pictures of a piece that tell its story: the first there is, and the last, of the same side where there is
      # one.
      class BeforeAndAfter
        # photographs: Store::Photographs.
        def initialize(photographs, blank_id)
          @photographs = photographs
          @blank_id = blank_id
        end

        # { before:, after: } of what is known of them; after nil of one picture alone, both nil of none.
        def shown
          all = @photographs.of(@blank_id)
          before = all.first or return { before: nil, after: nil }
          after = all.drop(1).reverse.find { |one| one[:view] == before[:view] } || all.drop(1).last
          { before: before, after: after }
        end

        # Width of each as a share of a square that holds either, so that a millimetre is the same in both; nil unless
        # both have a scale.
        def widths
          sizes = shown.values.map { |one| one && size_mm(one) }
          return unless sizes.all?

          largest = sizes.flatten.max
          sizes.map { |wide, _| wide / largest }
        end

        # [[caption, JPEG, width or nil], ...]
        def to_a
          found = shown.values.compact
          found
            .zip(widths || [])
            .map { |one, width| [one[:caption].to_s, @photographs.bytes(@blank_id, one[:id]), width] }
        end

        private

        # Width and height; nil without a scale, which is told in mm for the whole width.
        def size_mm(one)
          wide = one.dig(:scale, :mm_per_share) or return
          [wide, wide * one[:height_px] / one[:width_px].to_f]
        end
      end
    end
  end
end
