# frozen_string_literal: true

module Loft
  # RFC 9457 problem documents.
  module Problems
    TYPE = "application/problem+json"

    module_function

    def invalid(error)
      body(422, "Some of this cannot be used", error.faults.first.to_s,
        errors: error.faults.map { |fault| { pointer: fault.path, detail: [fault.problem, fault.allowed].compact.join(": ") } })
    end

    def stale(error)
      body(409, "Saved elsewhere meanwhile", error.message, current: error.current)
    end

    def taken(detail, pointer)
      body(409, "Already taken", detail, errors: [{ pointer: pointer, detail: detail }])
    end

    def in_use(detail) = body(409, "Still in use", detail)
    def wrong_type(types) = body(415, "Another kind of file is needed", "send the body as #{types.join(' or ')}")
    def busy(detail) = body(429, "Too much at once", detail)
    def too_large(detail) = body(413, "Too large", detail)
    def elsewhere = body(403, "Not from here", "a page from elsewhere may not change anything in this shop")
    def missing(detail) = body(404, "Not here", detail)
    def database_away = body(503, "The database does not answer", "Nothing was saved. It is tried again as soon as the database is back.")
    def broken = body(500, "Something broke in the server", "Nothing was saved. The server's log says more.")

    def body(status, title, detail, **more)
      { type: "about:blank", title: title, status: status, detail: detail, **more }
    end
    private_class_method :body
  end
end
