# frozen_string_literal: true

module MossyAnvil
  # Root of every error this project raises on purpose.
  class Error < StandardError
  end

  # One thing wrong in what a person gave: where (JSON Pointer), what, and what is allowed.
  Fault =
    Struct.new(:path, :problem, :allowed, keyword_init: true) do
      # A value that was given, short enough for a line, and never as markup.
      def self.shown(value)
        case value
        when Float
          value.finite? ? value.to_s : "too large a number"
        when Hash
          "a group of values"
        when Array
          "a list of #{value.size}"
        when String
          value.empty? ? "empty" : value[0, 40].inspect
        when nil
          "nothing"
        else
          value.to_s
        end
      end

      def to_s
        [path.empty? ? "/" : path, problem, allowed].compact.join(": ")
      end
    end

  # What a person gave cannot be used; #faults says why, one by one.
  class InvalidInput < Error
    # As many as are told at once.
    MAX_FAULTS = 20

    attr_reader :faults

    def initialize(faults)
      @faults = faults.freeze
      super(faults.join("\n"))
    end
  end

  # A computation was asked for that its inputs do not allow; a fault of the program.
  class ReckoningError < Error
  end
end
