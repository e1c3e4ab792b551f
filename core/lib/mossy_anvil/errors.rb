# frozen_string_literal: true

module MossyAnvil
  # Root of every error this project raises on purpose.
  class Error < StandardError
  end

  # One thing wrong in what a person gave: where (JSON Pointer), what, and what is allowed.
  Fault =
    Struct.new(:path, :problem, :allowed, keyword_init: true) do
      # The text below `faults` of the catalogue, with values put in.
      def self.t(key, **values) = Catalogue.t("faults.#{key}", **values)

      # A value that was given, short enough for a line, and never as markup.
      def self.shown(value)
        case value
        when Float
          value.finite? ? value.to_s : Fault.t("shown.too_large")
        when Hash
          Fault.t("shown.group")
        when Array
          Fault.t("shown.list", size: value.size)
        when String
          value.empty? ? Fault.t("shown.empty") : value[0, 40].inspect
        when nil
          Fault.t("shown.nothing")
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

    # Of one fault.
    def self.at(path, problem, allowed) = new([Fault.new(path: path, problem: problem, allowed: allowed)])

    def initialize(faults)
      @faults = faults.freeze
      super(faults.join("\n"))
    end
  end

  # A computation was asked for that its inputs do not allow; a fault of the program.
  class ReckoningError < Error
  end
end
