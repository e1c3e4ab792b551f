# frozen_string_literal: true

# Whatever gem source this machine is set up with; bin/setup writes Gemfile.lock to match.
source Gem.sources.first.uri.to_s

# The core: the rules of the job.
gem "json_schemer", "~> 2.4"
gem "numo-narray", "~> 0.9.2"
# The tone of a tap.
gem "numo-pocketfft", "~> 0.4.1"

# The server.
# Texts of the catalogue.
gem "i18n", "~> 1.14"
# Waits as a calendar.
gem "icalendar", "~> 2.10"
gem "pg", "~> 1.5"
# The survey sheet.
gem "prawn", "~> 2.5"
gem "prawn-svg", "~> 0.36"
gem "puma", "~> 8.0"
# Photographs; ffi from 1.17 on asks for a newer RubyGems than Debian's.
gem "ffi", "~> 1.16.3"
gem "ruby-vips", "~> 2.2"
# Shop archives; selenium-webdriver resolves to an ancient release beside rubyzip 3.
gem "rubyzip", "~> 2.4"
# Passwords.
gem "argon2", "~> 2.3"
# What que asks of json was taken out of json 3.
gem "json", "~> 2.9"
# Jobs too long for a request, in the same database.
gem "que", "~> 2.4"
# Log-in, its sessions, one-time codes, and who tries too often.
gem "rack-attack", "~> 6.7"
gem "rodauth", "~> 2.36"
gem "rotp", "~> 6.3"
# Codes to scan.
gem "rqrcode", "~> 3.0"
gem "sequel", "~> 5.90"
gem "sequel_pg", "~> 1.17"
gem "sinatra", "~> 4.1"
# zeitwerk from 2.7 on asks for a newer Ruby than Debian's.
gem "zeitwerk", "~> 2.6"
# The catalogue for the web face; used when it is built.
gem "i18n-js", "~> 4.2", require: false

group :test do
  gem "capybara", "~> 3.40"
  # Reading printed sheets back; afm from 1.0 on asks for a newer Ruby than Debian's.
  gem "afm", "~> 0.2.2"
  gem "pdf-reader", "~> 2.14"
  gem "rack-test", "~> 2.2"
  gem "rspec", "~> 3.13"
  gem "rubocop", "~> 1.75", require: false
  # Lays the code out: bin/format.
  gem "selenium-webdriver", "~> 4.30"
  gem "syntax_tree", "~> 6.2", require: false
end
