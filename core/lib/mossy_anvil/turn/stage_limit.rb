# frozen_string_literal: true

module MossyAnvil
  module Turn
    # The lowest of all that caps a stage's speed, and what would lift it.
    class StageLimit
      LIFTS = {
        "swing" => "It does not clear the bed: cut its corners off, re-centre it, or use a larger lathe.",
        "length" => "It is longer than this lathe takes between centres.",
        "lathe" => "The lathe goes no faster.",
        "rim" => "A piece that runs true and has its cracks mended may run faster.",
        "imbalance" => "Re-centre it, hang a counterweight opposite, add ballast, or turn it true first.",
        "burst" => "Fill and glue what crosses the weakest plane, soak what is soft, or leave the wall thicker.",
        "crack" => "Fill and glue what is open there before this stage.",
        "cross_section" => "Mend what weakens this section first: what is left of it may break off under the tool.",
        "heat" => "The stock melts under a faster edge: keep to it, cut light, and let it cool.",
        "loose_piece" => "Pry it off, or glue it down, before the lathe is switched on.",
        "freed_piece" => "Pry it off, or fill and glue the cracks that free it, before the lathe is switched on."
      }.freeze

      NAMES = {
        "swing" => "the lathe's swing", "length" => "the lathe's length", "lathe" => "the lathe's own top speed", "rim" => "rim speed",
        "imbalance" => "shaking", "burst" => "splitting", "crack" => "crack growth", "cross_section" => "what is left of a section across the axis", "heat" => "the heat that the stock takes", "loose_piece" => "a loose piece",
        "freed_piece" => "a piece that cracks have cut free"
      }.freeze

      Cap = Struct.new(:key, :rpm, keyword_init: true) do
        def lift = LIFTS.fetch(key)
        def name = NAMES.fetch(key)
      end

      attr_reader :caps, :lowest

      # caps: { key => rpm or nil }, nil where that does not cap it. At least one must.
      def initialize(caps, lathe)
        @caps = caps.compact.map { |key, rpm| Cap.new(key: key, rpm: rpm.to_f) }.freeze
        @lowest = @caps.min_by(&:rpm)
        @lathe = lathe
        freeze
      end

      def rpm = lowest.rpm
      def governed_by = lowest.key

      # Below the lathe's slowest speed there is no safe way to run it as it is.
      def not_like_this? = rpm.zero? || (!@lathe.nil? && rpm < @lathe.min_rpm)
    end
  end
end
