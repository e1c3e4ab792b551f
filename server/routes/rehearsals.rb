# frozen_string_literal: true

module MossyAnvil
  module Server
    module Routes
      # Rehearsals of a piece on the screen lathe. Nothing of the piece changes by them.
      module Rehearsals
        SEEDS = 2_147_483_648

        # What its routes ask of the application besides.
        module Helpers
          def rehearsals = Store::Rehearsals.new(settings.db, by: asking.name)
          def rehearsal_id = number_in_path("id", "rehearsal")
        end

        def self.registered(app)
          app.helpers Helpers
          of_a_piece(app)
          app.get("/api/rehearsals/:id") do
            row = rehearsals.find(rehearsal_id)
            upto = Rehearsals.upto(params, row[:acts].size)
            answer(Rehearsals.plain(row, calculate("rehearsed", **Rehearsals.kept(row), upto: upto, bytes: "").data))
          end
          acts(app)
        end

        def self.of_a_piece(app)
          app.get("/api/blanks/:id/rehearsals") do
            answer(rehearsals: rehearsals.of_blank(blank_id).map { |row| Rehearsals.in_short(row) })
          end
          app.post("/api/blanks/:id/rehearsals") do
            id = blank_id
            given = { own: own_numbers.given, started_at: now.iso8601(6), seed: SecureRandom.random_number(SEEDS) }
            found = calculate("rehearsal", **given).data
            begun = rehearsals.begin(id, found["setting"], { seed: found["seed"], index: found["index"] }, now)
            answer(Rehearsals.plain(rehearsals.find(begun), found["state"]), 201)
          end
        end

        def self.acts(app)
          app.post("/api/rehearsals/:id/acts") do
            row = rehearsals.find(rehearsal_id)
            place, act, state =
              calculate("rehearsal_act", **Rehearsals.kept(row)).data.values_at("position", "act", "state")
            raise rehearsals.stale unless place == row[:acts].size

            rehearsals.add(row[:id], place, act, now, outcome: state["ended"] && Rehearsals.outcome(state))
            answer(Rehearsals.plain(rehearsals.find(row[:id]), state), 201)
          end
        end
        private_class_method :of_a_piece, :acts

        # What it is calculated from.
        def self.kept(row) = { kept: row.slice(:setting, :seed, :index), acts: row[:acts] }

        # So many acts as are asked for; all of them where that is no number of them.
        def self.upto(params, all) = Integer(params["acts"].to_s, 10, exception: false)&.clamp(0, all) || all

        # What a list of them tells of one that has ended.
        def self.outcome(state)
          ended = state["ended"]
          { **state.slice("minutes", "days", "cost"), **ended.slice("sound", "event", "rpm"), "at" => state["at"] }
        end

        def self.in_short(row)
          times = %i[begun_at ended_at].to_h { |key| [key, row[key]&.utc&.iso8601] }
          { **row.slice(:id, :by, :outcome, :acts), **times }
        end

        def self.plain(row, state)
          {
            **in_short(row),
            blank_id: row[:blank_id],
            acts: row[:acts],
            truth: row[:seed] ? "unknown" : "survey",
            document: row[:setting]["document"],
            state: state
          }
        end
      end
    end
  end
end
