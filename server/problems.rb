# frozen_string_literal: true

module MossyAnvil
  module Server
    # RFC 9457 problem documents.
    module Problems
      TYPE = "application/problem+json"

      module_function

      def invalid(error)
        body(
          422,
          "Some of this cannot be used",
          error.faults.first.to_s,
          errors:
            error.faults.map do |fault|
              { pointer: fault.path, detail: [fault.problem, fault.allowed].compact.join(": ") }
            end
        )
      end

      def stale(error)
        body(409, "Saved elsewhere meanwhile", error.message, current: error.current)
      end

      def taken(detail, pointer)
        body(409, "Already taken", detail, errors: [{ pointer: pointer, detail: detail }])
      end

      # PostgreSQL's name of a constraint that keeps values apart => what is there already, and the field it is told at.
      APART = {
        "blanks_number_key" => ["that number is on another blank already", "/document/number"],
        "defects_blank_id_ref_key" => ["two defects have the same letter", "/document/defects"],
        "lathes_name_key" => ["a lathe of that name stands here already", "/name"],
        "people_name_key" => ["somebody of that name works here already", "/name"],
        "products_name_key" => ["a product of that name stands on the shelf already", "/name"],
        "patterns_name_key" => ["a curve of that name is kept already", "/name"],
        "one_open_card_a_blank" => ["this blank has an open card already", "/key"],
        "cards_key_key" => ["that key was used for another card", "/key"],
        "done_once" => ["that line is ticked already", "/line"],
        "one_picture_once" => ["that photograph is kept already", "/file"]
      }.freeze

      def unique(constraint) =
        APART.fetch(constraint, ["the same is kept here already", ""]).then { |detail, pointer| taken(detail, pointer) }

      def unreadable(detail) = body(400, "Not readable", detail)

      def unkeepable
        "a value lies outside what can be kept".then do |detail|
          body(422, "Some of this cannot be kept", detail, errors: [{ pointer: "", detail: detail }])
        end
      end

      def in_use(detail) = body(409, "Still in use", detail)
      def wrong_type(types) = body(415, "Another kind of file is needed", "send the body as #{types.join(" or ")}")
      def busy(detail) = body(429, "Too much at once", detail)
      def too_costly(detail) = body(422, "Too much to calculate", detail, errors: [{ pointer: "", detail: detail }])
      def too_large(detail) = body(413, "Too large", detail)
      def elsewhere = body(403, "Not from here", "a page from elsewhere may not change anything in this shop")
      def missing(detail) = body(404, "Not here", detail)
      def disk_full =
        body(
          507,
          "The disk is full",
          "Nothing was saved. Make room on the disk that holds the database, and save again."
        )
      def database_away =
        body(
          503,
          "The database does not answer",
          "Nothing was saved. It is tried again as soon as the database is back."
        )
      def broken = body(500, "Something broke in the server", "Nothing was saved. The server's log says more.")

      def body(status, title, detail, **more)
        { type: "about:blank", title: title, status: status, detail: detail, **more }
      end
      private_class_method :body
    end
  end
end
