# frozen_string_literal: true

# Makes one backup of the database, tries it out, and ends. Started by server/entry/launch.rb when one is due.

# While it loads it is stopped by the kernel: what a file that is being loaded catches would be lost.
Signal.trap("TERM", "SYSTEM_DEFAULT")
$stdout.sync = true
Encoding.default_external = Encoding::UTF_8
require_relative "../server"
Signal.trap("TERM", "DEFAULT")

begin
  folder = MossyAnvil::Server::Services::BackupFolder.here
  path = MossyAnvil::Server::Process::Backups.new(ENV.fetch("DATABASE_URL"), folder).make(Time.now)
  puts "Backed up to #{path}"
rescue MossyAnvil::Server::Process::Backups::Failed, Sequel::DatabaseError, SystemCallError => e
  abort("No backup was made: #{e.message.lines.first.to_s.strip}")
end
