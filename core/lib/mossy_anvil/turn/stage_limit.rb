# frozen_string_literal: true

module MossyAnvil
  module Turn
    # The lowest of all that caps a stage's speed. What each is called and what would lift it: `caps` in the catalogue.
    class StageLimit
      Cap = Struct.new(:key, :rpm, keyword_init: true)

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
      def unsafe? = rpm.zero? || (!@lathe.nil? && rpm < @lathe.min_rpm)
    end
  end
end
