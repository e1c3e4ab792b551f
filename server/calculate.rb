# frozen_string_literal: true

# The processes that calculate. Started by server/launch.rb; TERM stops them at once, since they keep nothing.

$stdout.sync = true
Encoding.default_external = Encoding::UTF_8
require_relative "loft"

$stdout = Loft::SteadyLog.new($stdout)
Loft.load_all
GC.start
Loft::CalculationPool.new(ENV.fetch("CALCULATION_SOCKET"), size: Integer(ENV.fetch("CALCULATORS"))).run
