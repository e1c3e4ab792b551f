# frozen_string_literal: true

module MossyAnvil
  module Shop
    # What became of a piece and what it came to. Sums of money in the shop's currency.
    class Ending
      OUTCOMES = %w[done given_away sold kept_back given_up].freeze
      # Kinds of work: the stretches of a route they are.
      WORK = %w[survey mend turn finish].freeze

      # outcome:; price: of what was sold; blank_cost:, materials_cost:; hours: { kind of work => hours }; rate: of an
      # hour.
      def initialize(outcome:, hours:, rate:, blank_cost:, materials_cost:, price: nil)
        @outcome, @price, @hours, @rate = outcome, price, hours, rate
        @blank_cost, @materials_cost = blank_cost, materials_cost
      end

      def hands_h = WORK.sum { |kind| @hours.fetch(kind, 0.0) }
      def cost = @blank_cost + @materials_cost + (hands_h * @rate)
      # Nil for what was not sold: nobody says what it was worth.
      def margin = @price && (@price - cost)
      # What an hour of it brought, its blank and materials paid; nil for what was not sold, or took no time.
      def earned_an_hour
        @price && hands_h.positive? ? (@price - @blank_cost - @materials_cost) / hands_h : nil
      end

      # Hours by kind of work of steps of a route, plain data: those done, each as long as it is planned or was
      # measured.
      # measured: { step id => minutes }.
      def self.hours(steps, measured = {})
        done = steps.select { |step| step[:done] }
        WORK.to_h do |kind|
          [kind, done.select { |step| work_of(step) == kind }.sum { |step| minutes(step, measured) } / 60.0]
        end
      end

      # Form and what closes it count with the survey and the finish.
      def self.work_of(step) = { "form" => "survey", "close" => "finish" }.fetch(step[:stretch], step[:stretch])
      def self.minutes(step, measured) = measured.fetch(step[:id], step[:hands_min])
      private_class_method :work_of, :minutes
    end
  end
end
