# frozen_string_literal: true

module MossyAnvil
  module Server
    module Routes
      # Changes that are worked on the queue: looked at on the way, cancelled.
      module Tasks
        def self.registered(app)
          odds(app)
          app.get("/api/tasks/:id") { answer(Tasks.plain(tasks.find(task_id))) }
          app.delete("/api/tasks/:id") do
            tasks.stop(task_id)
            answer(Tasks.plain(tasks.find(task_id)))
          end
        end

        def self.odds(app)
          app.post("/api/odds") do
            asked = calculate("odds").data
            answer(Tasks.plain(tasks.find(ask_task("odds", { **asked, now: now.iso8601(6) }))), 202)
          end
          app.post("/api/odds/truth") { calculated("truth") }
          app.get("/api/blanks/:id/odds") do
            odds = Store::Odds.new(settings.db).of(blank_id)
            answer(odds: odds && { **odds, played_at: odds[:played_at].utc.iso8601 })
          end
        end
        private_class_method :odds

        def self.plain(row)
          {
            **row.slice(:id, :kind, :done),
            of: row[:total],
            state: state(row),
            so_far: Store::Rows.data(row[:so_far]),
            result: Store::Rows.data(row[:result]),
            problem: Store::Rows.data(row[:problem])
          }
        end

        def self.state(row)
          if row[:problem]
            "failed"
          elsif row[:result]
            "ended"
          elsif row[:stopped]
            "stopped"
          else
            row[:total].zero? ? "waiting" : "running"
          end
        end
        private_class_method :state
      end
    end
  end
end
