# frozen_string_literal: true

require "que"

module Loft
  # The queue of work that takes longer than a request should: kept in the same database, worked by processes of its own (server/work.rb).
  module Queue
    module_function

    # Puts jobs through that database from now on.
    def open(db)
      @db = db
      Que.connection = db
    end

    # The database jobs are worked on.
    def db = @db or raise(MossyAnvil::ReckoningError, "the queue is not open")

    # What the queue says goes to the log as the rest does; its own lines would be of another shape.
    def quiet! = Que.logger = nil
  end
end
