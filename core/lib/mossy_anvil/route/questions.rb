# frozen_string_literal: true

module MossyAnvil
  module Route
    # Where the work on this piece can go more than one way: each question with its answers, and the answer that a
    # turner would usually give. Which of them wins on this piece shows once the ways are laid out (see Proposal).
    class Questions
      ORDER = %w[wet cracks soft gaps bark].freeze
      # What each answer makes of the defects it is about: a way of the table of ways.
      WAYS = {
        "turn_past" => "leave",
        "stabilise" => "soak",
        "harden" => "soak",
        "as_is" => "leave",
        "cast" => "cast",
        "fill" => "fill",
        "leave_open" => "leave",
        "bark_off" => "remove_now",
        "bark_glue" => "hold",
        "bark_pack" => "fill"
      }.freeze
      # Types of defect each question is about.
      TYPES = {
        "cracks" => %w[crack delamination],
        "soft" => %w[soft_zone],
        "gaps" => %w[void galleries bubble_pocket],
        "bark" => %w[bark_inclusion]
      }.freeze
      # Answers by which such a defect is not mended before the lathe turns.
      NOT_BEFORE = %w[turn_first turn_past as_is leave_open].freeze
      # Caps of the speed that come of cracks.
      SET_BY_CRACKS = %w[crack cross_section loose_piece].freeze
      # A blank with so many points over the moisture of this air is wet.
      WET_OVER_EMC_PCT = 4.5

      # It dries with the square of its thickness. A second mounting and a second truing want a blank this many times as
      # thick as the rough wall: then that dries in four tenths of the time.
      THICKER = 1.6

      def self.rough_first?(thickness_mm, wall_mm) = thickness_mm > THICKER * wall_mm

      def initialize(facts)
        @facts = facts
      end

      # { question => [answers, the usual first] }; with one answer where nothing is to choose.
      def to_h = @to_h ||= ORDER.to_h { |key| [key, send(key)] }.reject { |_, answers| answers.empty? }

      # { question => usual answer }.
      def usual = to_h.transform_values(&:first)

      # Is a defect of that type left until the lathe has turned, by the turner's own answers { question => answer }?
      def self.put_off?(type, choices)
        question, = TYPES.find { |_, types| types.include?(type) }
        NOT_BEFORE.include?(choices[question])
      end

      # Ids of the defects a question is about.
      def about(question) = TYPES.key?(question) ? wanted(*TYPES.fetch(question)) : []

      private

      # Reports of open defects of those types that outlast the form and that nobody has decided about.
      def wanted(*types)
        @facts.assessed[:defects]
          .select do |one|
            types.include?(one[:type]) && one[:chosen].nil? && !one[:by_test] && one[:removed_share] < 0.999
          end
          .select { |one| open?(one[:id]) }
          .map { |one| one[:id] }
      end

      def open?(id)
        defect = @facts.blank.defects.find { |one| one.id == id }
        defect && !(defect.path? ? defect.mended? : defect.soaked?)
      end

      # Roughed out is a fact once it is done, for as long as the form is one to be roughed out.
      def wet
        return ["rough_out"] if @facts.blank.roughed_out && @facts.rough
        return [] unless @facts.wooden? && @facts.moisture_pct > @facts.emc_pct + WET_OVER_EMC_PCT
        return "dry_whole", *("turn_wet" if @facts.form.hollow?) unless @facts.rough

        usual = Questions.rough_first?(@facts.blank.shape.least_extent_mm, @facts.rough[:wall_mm])
        usual ? %w[rough_out dry_whole turn_wet] : %w[dry_whole rough_out turn_wet]
      end

      # A plan of one's own has decided the rest.
      def planned? = !@facts.blank.mend.nil?
      def verdicts(ids) = @facts.assessed[:defects].select { |one| ids.include?(one[:id]) }.map { |one| one[:verdict] }

      # Those to be glued or filled: before the lathe where they open the wall, come apart, or set the speed.
      def cracks
        ids = about("cracks")
        return [] if planned? || ids.empty? || (verdicts(ids) & %w[fill hold dry_first]).empty?

        first_of_all?(ids) ? %w[mend_first turn_first turn_past] : %w[turn_first mend_first turn_past]
      end

      def first_of_all?(ids)
        opens = @facts.assessed.dig(:form, :breaks_through) || []
        parted = @facts.assessed[:defects].any? { |one| ids.include?(one[:id]) && one[:type] == "delamination" }
        governed = @facts.assessed[:stages].values.any? { |stage| SET_BY_CRACKS.include?(stage[:governed_by]) }
        (ids & opens).any? || parted || governed || verdicts(ids).include?("hold")
      end

      def soft
        ids = about("soft")
        return [] if planned? || ids.empty?

        case Mend::MendProposal.new(@facts.blank, @facts.assessed).steps.map { |step| step[:do] } & %w[stabilise soak]
        in ["stabilise", *]
          %w[stabilise harden as_is]
        in ["soak", *]
          %w[harden stabilise as_is]
        else
          %w[as_is harden stabilise]
        end
      end

      def gaps
        ids = about("gaps")
        return [] if planned? || ids.empty?

        usual = { "cast" => "cast", "fill" => "fill", "dry_first" => "fill" }
        ([verdicts(ids).filter_map { |verdict| usual[verdict] }.min || "leave_open"] | %w[fill cast leave_open])
      end

      def bark
        ids = about("bark")
        return [] if planned? || ids.empty?

        usual = { "remove_now" => "bark_off", "hold" => "bark_glue", "fill" => "bark_pack", "cast" => "bark_pack" }
        ([verdicts(ids).filter_map { |verdict| usual[verdict] }.first || "bark_off"] | %w[bark_off bark_glue bark_pack])
      end
    end
  end
end
