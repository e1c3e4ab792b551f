# frozen_string_literal: true

module MossyAnvil
  module Server
    module Calculation
      # Those of Calculations' questions that are about rehearsing and practising.
      module RehearsalQuestions
        # A rehearsal that begins: what it is played on, and where it stands. given: own, started_at, seed.
        def on_rehearsal
          body = body_as("RehearsalAsked")
          setting = {
            document: body["document"],
            climate: @given["climate"],
            own: @given["own"],
            now: @given["started_at"]
          }
          kept = { setting: setting, **truth_of(body) }
          state = Services::Rehearsing.new(JSON.parse(JSON.generate(kept))).after([])
          json(**kept, state: state)
        end

        # What is in the piece in a truth of its odds.
        def on_truth
          body = body_as("TruthAsked")
          odds = MossyAnvil::Rehearsal::Odds.new(blank_of(body), at: "/document", seed: body["seed"], climate: climate)
          json(defects: odds.true_defects(body["index"]).map(&:to_document))
        end

        # One that was begun, after so many of its acts. given: kept, acts, upto.
        def on_rehearsed = json(Services::Rehearsing.new(@given["kept"]).after(@given["acts"].first(@given["upto"])))

        # One that was begun, after one more act. given: kept, acts.
        def on_rehearsal_act
          body = body_as("RehearsalAct")
          state = Services::Rehearsing.new(@given["kept"]).after_one_more(@given["acts"], body["act"], at: "/act")
          json(position: body["position"], act: body["act"], state: state)
        end

        # A blank to practise on, and what is shown of it.
        def on_practice
          seed, level = body_as("PracticeAsked").values_at("seed", "level")
          document = Services::Practising.new(seed, level).document
          json(seed: seed, level: level, document: document, brief: brief(document))
        end

        # The photographs of one: [{ "jpeg" in base 64, "about" }].
        def on_painted
          seed, level = body_as("PracticeAsked").values_at("seed", "level")
          pictures =
            Services::Practising
              .new(seed, level)
              .pictures
              .map { |painted, about| { jpeg: [painted.jpeg].pack("m0"), about: about } }
          json(pictures: pictures)
        end

        # A test on one. given: kept, practice.
        def on_practice_test
          seed, level = @given["practice"].values_at("seed", "level")
          found = Services::Practising.new(seed, level).test(body_as("PracticeTest")["test"], @given["kept"], now)
          readings = [*found[:document]["readings"], found[:reading]].compact
          json(**found, brief: brief(found[:document].merge(readings.empty? ? {} : { "readings" => readings })))
        end

        private

        # Which truth it is played on: one of the odds', the survey, or one nobody knows.
        def truth_of(body)
          if body["truth"] == "played" && body["played"]
            return body["played"].slice("seed", "index").transform_keys(&:to_sym)
          end

          { seed: body["truth"] == "survey" ? nil : @given["seed"], index: 0 }
        end
      end
    end
  end
end
