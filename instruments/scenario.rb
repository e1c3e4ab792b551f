# frozen_string_literal: true

require "yaml"

module Instruments
  # What is true while the stand-ins measure, over and over: curves over the time, and what goes wrong. See
  # docs/instruments.md for the file.
  class Scenario
    # The file is not there, or is none.
    class Unreadable < StandardError
    end

    NAMES = %w[tachometer shake scale pins thermometer wall_gauge microphone].freeze

    def self.read(path)
      new(YAML.safe_load_file(path) || {})
    rescue Errno::ENOENT, Errno::EISDIR, Errno::EACCES, Psych::Exception => e
      raise Unreadable, "#{path} cannot be read: #{e.message.lines.first.strip}"
    end

    attr_reader :names, :says

    def initialize(data)
      raise Unreadable, "a scenario is a group of named values" unless data.is_a?(Hash)

      @data = data
      @says = data.fetch("says", "Stand-ins")
      @repeats_s = Float(data.fetch("repeats_every_s", 120))
      @instruments = data.fetch("instruments", {}) || {}
      @names = @instruments.keys
      unknown = @names - NAMES
      raise Unreadable, "there is no instrument #{unknown.join(", ")}: #{NAMES.join(", ")}" if unknown.any?
    end

    def about(name) = @instruments.fetch(name)

    # A curve [[second, value], ...] at a time since the beginning; straight between its points.
    def curve(points, time_s)
      second = time_s % @repeats_s
      from, to = points.each_cons(2).find { |before, after| second.between?(before[0], after[0]) }
      return (second < points.first[0] ? points.first : points.last)[1].to_f unless from

      (begun, low), (ended, high) = from, to
      begun == ended ? high.to_f : low + ((high - low) * (second - begun) / (ended - begun).to_f)
    end

    def rpm(time_s) = curve(@data.fetch("speed", [[0, 0]]), time_s)

    # Incidents that run: rows of the file, those of one kind.
    def incidents(kind, time_s)
      second = time_s % @repeats_s
      @data
        .fetch("incidents", [])
        .select { |one| one["kind"] == kind && second.between?(one["at_s"], one["at_s"] + one.fetch("for_s", 1)) }
    end

    # How the headstock shakes, mm/s: an unbalanced mass on a spring with damping.
    # x = (m e / M) r² / √((1 - r²)² + (2 ζ r)²), v = ω x, r the speed over that of resonance.
    # Source: the textbook answer to rotating unbalance.
    def shake_mm_s(time_s)
      lathe = @data.fetch("lathe", {})
      rpm = rpm(time_s)
      ratio = rpm / lathe.fetch("resonance_rpm", 900).to_f
      damped = 2 * lathe.fetch("damping", 0.1) * ratio
      swing_mm = unbalance_g_mm(time_s) / lathe.fetch("moving_g", 30_000) * (ratio**2)
      (rpm * Math::PI / 30) * swing_mm / Math.sqrt(((1 - (ratio**2))**2) + (damped**2))
    end

    private

    def unbalance_g_mm(time_s)
      worse = incidents("shake_grows", time_s).map { |one| one.fetch("times", 2) }.inject(1.0, :*)
      @data.fetch("unbalance_g_mm", 500) * worse
    end
  end
end
