# frozen_string_literal: true

# Databases beside the tests' own, on the same server.
module DemoDatabase
  def as_admin
    admin = Sequel.connect(url)
    yield admin
  ensure
    admin&.disconnect
  end

  # A database with the demo in it, as the start command leaves it; made once in a run.
  def demo_database
    @demo_database ||=
      "launch_demo".tap do |name|
        as_admin do |admin|
          admin.run("DROP DATABASE IF EXISTS #{name} WITH (FORCE)")
          admin.run("CREATE DATABASE #{name}")
        end
        fill(url.sub(%r{/[^/]+\z}, "/#{name}"))
      end
  end

  def fill(url)
    db = MossyAnvil::Server::Store::Connection.open(url)
    MossyAnvil::Server::Store::Connection.migrate(db)
    demo = MossyAnvil::Server::Services::Demo.new(db, now: Time.now.utc)
    demo.load
    demo.go_to_work
    demo.remember
    db.disconnect
  end
end
