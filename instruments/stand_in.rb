# frozen_string_literal: true

require "json"
require "socket"
require "time"
require_relative "sound"

module Instruments
  # One instrument: reads the truth so often, with its noise, and says what it reads. Where nobody listens it tries
  # again.
  class StandIn
    AGAIN_S = 1

    # scenario: Scenario. port: of this machine.
    def initialize(name, scenario, port)
      @name = name
      @scenario = scenario
      @port = port
      @about = scenario.about(name)
      @noise = Random.new(name.sum)
      @began = now_s
    end

    def start = Thread.new { loop { speak } }

    # Lines to send at a time since the beginning, as plain data; none while it drops out.
    def lines(time_s)
      return [] if @scenario.incidents("lost", time_s).any? { |one| one["instrument"] == @name }

      read = send(@name, time_s)
      false_value = @scenario.incidents("reads", time_s).find { |one| one["instrument"] == @name }
      read.each { |line| line["value"] = false_value["value"] } if false_value
      read.map { |line| { "instrument" => @name, **line } }
    end

    private

    def speak
      socket = TCPSocket.new("127.0.0.1", @port)
      loop do
        lines(now_s - @began).each { |line| socket.puts(JSON.generate({ **line, "at" => Time.now.utc.iso8601(3) })) }
        # Answers say what could not be taken; a stand-in goes on all the same.
        socket.read_nonblock(4096, exception: false)
        sleep @about.fetch("every_ms", 100) / 1000.0
      end
    rescue SystemCallError, IOError
      sleep AGAIN_S
    ensure
      socket&.close
    end

    def tachometer(time_s)
      rpm = @scenario.rpm(time_s)
      [{ "value" => rpm.zero? ? 0 : [noisy(rpm), 0].max.round(1) }]
    end

    def shake(time_s) = [{ "value" => [noisy(@scenario.shake_mm_s(time_s)), 0].max.round(2) }]

    # It takes a while to settle on what lies on it.
    def scale(time_s)
      load_g = @scenario.curve(@about["g"], time_s)
      settling_s = @about.fetch("settles_s", 1.5)
      settled = (load_g - @scenario.curve(@about["g"], time_s - settling_s)).abs < 1
      [{ "value" => noisy(load_g).round(1), "settled" => settled }]
    end

    def pins(time_s)
      depth_mm = @about.fetch("depth_mm", 10)
      [{ "value" => noisy(@scenario.curve(@about["pct"], time_s)).round(1), "depth_mm" => depth_mm }]
    end

    def thermometer(time_s)
      @about["spots"].map do |spot, points|
        { "spot" => spot, "value" => noisy(@scenario.curve(points, time_s)).round(1) }
      end
    end

    def wall_gauge(time_s)
      place = @about.slice("clock_deg", "z_mm")
      [{ "value" => [noisy(@scenario.curve(@about["mm"], time_s)), 0].max.round(2), **place }]
    end

    # Silent between taps.
    def microphone(time_s)
      tapped = @scenario.incidents("tap", time_s).first
      fresh = tapped && tapped != @heard
      @heard = tapped
      fresh ? [{ "wav" => [Sound.tap(tapped["hz"], tapped["q"], @noise)].pack("m0") }] : []
    end

    def noisy(value) = value + (@about.fetch("noise", 0) * gauss)

    # A number of the normal distribution, of two equal ones. Source: Box and Muller, 1958.
    def gauss = Math.sqrt(-2 * Math.log(1 - @noise.rand)) * Math.cos(2 * Math::PI * @noise.rand)

    def now_s = Process.clock_gettime(Process::CLOCK_MONOTONIC)
  end
end
