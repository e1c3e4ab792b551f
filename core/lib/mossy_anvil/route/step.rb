# frozen_string_literal: true

module MossyAnvil
  module Route
    # Days something lasts by itself: earliest, likely, latest; nil where this air never gets it there.
    Wait =
      Struct.new(:earliest, :likely, :latest, keyword_init: true) do
        def self.of_hours(hours) =
          hours.to_f.zero? ? nil : new(**%i[earliest likely latest].to_h { |key| [key, hours / 24.0] })
      end

    # What must be so before a step: moisture_at_most_pct (nil: any), mount (key; nil: off the lathe, or none that
    # holds), tools (messages).
    Needs = Struct.new(:moisture_at_most_pct, :mount, :tools, keyword_init: true)

    # One step of a route, with what it needs, takes and leaves behind it.
    #
    # id: unique in its route. kind: row of the table of steps, or kind of a step of mending. name: a message. of: ids
    # of defects. base_min: minutes of work. wait: Wait, nil where nothing has to be waited for. stage: what is turned
    # at it; limit_rpm: of that; both nil off the lathe. unsafe: not at any speed of the lathe; unheld: no mount holds
    # it. cuts: Report::StepCutting, nil where nothing is cut. materials: list of MendStep::Taken. says: advice,
    # conflicts first. regimes: list of DryingRegimes::Stretch, and how fast it may dry at most, % a day (nil off
    # drying). weigh_days: when it is weighed, days from its beginning. done: it is a fact. left_out: it is not to be
    # done. made: what Mend says of it, a MendStep; nil of all but mending. after: Workpiece.
    Step =
      Struct.new(
        :id,
        :kind,
        :stretch,
        :name,
        :of,
        :base_min,
        :wait,
        :needs,
        :stage,
        :limit_rpm,
        :unsafe,
        :unheld,
        :cuts,
        :materials,
        :cautions,
        :says,
        :regimes,
        :safe_points_a_day,
        :weigh_days,
        :done,
        :left_out,
        :made,
        :after,
        keyword_init: true
      ) do
        def initialize(**given)
          super(
            of: [],
            base_min: 0.0,
            needs: Needs.new(tools: []),
            unsafe: false,
            unheld: false,
            materials: [],
            cautions: [],
            says: [],
            regimes: [],
            weigh_days: [],
            done: false,
            left_out: false,
            **given
          )
          freeze
        end

        # Minutes of work. Its cuts are worked out when they are asked for.
        def hands_min = base_min + (cuts ? cuts.minutes : 0.0)
        def cost = materials.sum { |one| one.cost.to_f }
        # Does it wait for what this air never brings about?
        def never? = !wait.nil? && wait.likely.nil?
        # Nothing is turned at it as things stand: "unsafe" at any speed, or "no_mount" holds it; nil else.
        def turns_not = unsafe ? "unsafe" : ("no_mount" if unheld)
        def conflicts = says.count { |one| one[:tone] == "stop" }
        def saying(more) = more.empty? ? self : self.class.new(**to_h, says: more + says)
        # The same where it is not to be done: the piece stays as it was.
        def as_left_out(piece) =
          self.class.new(**to_h, left_out: true, unsafe: false, unheld: false, says: [], after: piece)
        # The same as a fact: nothing of it lies ahead, and the piece is as it was found since.
        def as_done(piece) = self.class.new(**to_h, done: true, unheld: false, says: [], after: piece)
      end
  end
end
