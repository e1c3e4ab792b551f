# frozen_string_literal: true

module MossyAnvil
  module Server
    module Calculation
      # Every question that is worked out apart from the processes that answer requests. A question gets the bytes of
      # the request, reads and checks them itself, and touches no database: what it needs of that comes along as
      # `given`.
      class Calculations
        include FormQuestions
        include KeepingQuestions
        include RehearsalQuestions

        JSON_TYPE = "application/json"
        # Method by question.
        QUESTIONS =
          %w[
            assess
            compare
            mounts
            tests
            mend
            route
            cuts
            finish
            balance
            tap
            taps
            peel
            strip
            form
            profile
            traced_profile
            set_outs
            move
            pattern
            scan
            trace
            intake
            taken_in
            imported
            saved
            read_of
            export
            photograph
            search
            odds
            truth
            rehearsal
            rehearsed
            rehearsal_act
            practice
            painted
            practice_test
            card
            work_plan
            story
            board
          ].to_h { |name| [name, :"on_#{name}"] }.freeze

        # question: { "question" => name, "given" => plain data }. Gives back what is said of the answer, and its bytes.
        def self.answer(question, bytes)
          new(question["given"], bytes).public_send(QUESTIONS.fetch(question["question"]))
        rescue MossyAnvil::InvalidInput => e
          refused(Problems.invalid(e))
        rescue NotFound => e
          refused(Problems.missing(e.message))
        rescue TooLarge => e
          refused(Problems.too_large(e.message))
        rescue StandardError, ScriptError, SystemStackError => e
          RequestLog.fault($stdout, Time, { "PATH_INFO" => question["question"] }, e)
          refused(Problems.broken)
        end

        def self.refused(document) = [{ status: document[:status], type: Problems::TYPE }, JSON.generate(document)]
        private_class_method :refused

        def initialize(given, bytes)
          @given = given
          @bytes = bytes
        end

        def on_assess = json(reckoner.assess(draft, at: "/document"))
        def on_compare = json(reckoner.compare(draft, at: "/document"))
        def on_mounts = json(reckoner.mounts(draft, at: "/document"))
        def on_tests = json(tests: reckoner.next_tests(draft, at: "/document"))
        def on_mend = json(reckoner.mend(draft, at: "/document"))
        def on_route = json(reckoner.route(draft, at: "/document", ways: @given["ways"].to_sym))

        def on_cuts = json(reckoner.cuts(draft, at: "/document"))

        def on_finish = json(reckoner.finish(draft, at: "/document"))
        def on_balance = json(MossyAnvil::Report::MeasuredBalance.new(**symbols(body_as("FourRuns"))).to_h)

        def on_tap
          sound = MossyAnvil::Formats::WaveFile.new(@bytes)
          json(MossyAnvil::Turn::Tap.new(sound.samples, sound.rate_hz).to_h)
        end

        def on_taps = json(dull: MossyAnvil::Turn::Tap.dull(body_as("TapRing")["decays_ms"]))

        # given: unit, axis and reversed, as MossyAnvil::Scan::ScanReport has them.
        def on_scan = json(MossyAnvil::Scan::ScanReport.new(@bytes, **symbols(@given["options"]), at: "/file").to_h)
        def on_trace = json(MossyAnvil::Scan::Trace.new(symbols(body_as("TraceAsked"))).to_h)
        def on_intake = json(MossyAnvil::Report::IntakeReport.new(symbols(body_as("IntakeAsked"))).to_h)

        # A picture as it is kept.
        def on_photograph
          picture = Services::Picture.new(@bytes)
          [{ status: 200, type: "image/jpeg", width_px: picture.width_px, height_px: picture.height_px }, picture.bytes]
        end

        # A search as it is asked for, and how many climbs its parts have.
        def on_search
          asked = body_as("SearchAsked")
          json(asked: asked, climbs: Services::Placing.search(asked).climbs(Services::Placing::PARTS))
        end

        # The odds as they are asked for: a draft that has a way of the work.
        def on_odds
          asked = { "truths" => MossyAnvil::Rehearsal::Odds::TRUTHS, "seed" => 1, **body_as("OddsAsked") }
          Services::OddsPlay.of(asked).plan
          json(asked)
        end

        # The plan of a kept blank as a card begins with it.
        # The plan of mending or, from a step on, a stretch of the route.
        def on_card
          kept, from = @given.values_at("kept", "from")
          report = from ? reckoner.card(kept, from: from) : reckoner.mend(kept)
          json(report.slice(:steps, :materials))
        end

        # What the ledger tells of a kept blank.
        def on_story = json(reckoner.story(@given["kept"]))

        # What is left to do of a kept blank.
        def on_work_plan = json(reckoner.work_plan(@given["kept"]))

        # given: as Services::BoardView asks it.
        def on_board
          asked = symbols(@given.slice("pieces", "people"))
          workers =
            asked[:people].map do |person|
              MossyAnvil::Shop::Worker.new(id: person[:id], hours: MossyAnvil::Shop::WorkingHours.of(person[:hours]))
            end
          json(
            MossyAnvil::Report::BoardReport.new(
              asked[:pieces].map { |piece| MossyAnvil::Report::BoardPiece.new(**piece) },
              workers: workers,
              counts: @given["counts"],
              **symbols(@given.slice("from_min", "minutes", "until_min"))
            ).to_h
          )
        end

        private

        def json(data) = [{ status: 200, type: JSON_TYPE }, JSON.generate(data)]
        def parsed = MossyAnvil::Formats::JsonText.parse(@bytes)
        def body_as(schema) = Contract.own.check(schema, parsed)
        def draft = body_as("Draft")["document"]
        def blank_of(body) = Services::Reckoner.blank(body["document"], at: "/document")
        def symbols(data) = JSON.parse(JSON.generate(data), symbolize_names: true)

        def now = Time.at(@given["now"]).utc
        def climate = MossyAnvil::Report::ShopClimate.new(**symbols(@given["climate"]))
        # Waits are told in days: the minute will do, and what was worked out of a blank's water serves as long.
        def reckoner =
          Services::Reckoner.new(
            climate,
            now: Time.at(now.to_i / 60 * 60).utc,
            own: -> { Services::OwnNumbers.core(@given) }
          )
      end
    end
  end
end
