# frozen_string_literal: true

# No registry host is written here: the machine's own default source serves.
source Gem.default_sources.first

gem "bootsnap", "1.26.1", require: false
gem "i18n", "1.15.2"
gem "zeitwerk", "2.6.18"

# web
gem "argon2", "2.3.3"
gem "bcrypt", "3.1.22"
gem "json_schemer", "2.5.0"
gem "prometheus-client", "4.2.5", require: false
gem "puma", "8.0.2"
gem "rack", "3.2.8"
gem "rack-protection", "4.2.1"
gem "rackup", "2.3.1"
gem "roda", "3.109.0"
gem "rodauth", "2.49.0"
gem "rotp", "6.4.0"
gem "rqrcode", "3.1.1"
gem "sinatra", "4.2.1"
gem "webauthn", "3.5.0"
gem "zxcvbn", "1.0.0", require: false

# data
gem "lockbox", "2.0.1"
gem "rubyzip", "2.4.1", require: false
gem "sequel", "5.110.0"
gem "sqlite3", "2.8.1"

# open protocols
gem "addressable", "2.9.2"
gem "csv", "3.3.7"
gem "dnsruby", "1.74.0"
gem "mail", "2.9.1"
gem "net-imap", "0.5.15"
gem "net-smtp", "0.5.2"
gem "nokogiri", "1.18.10"
gem "prawn", "2.5.0", require: false
gem "public_suffix", "6.0.2"
gem "simpleidn", "0.2.3"

# time
gem "holidays", "8.8.0", require: false
gem "icalendar", "2.13.0", require: false
gem "rufus-scheduler", "3.9.2"
gem "tzinfo", "2.0.6"
gem "tzinfo-data", "1.2026.6", require: false

group :test do
  gem "capybara", "3.40.0"
  gem "minitest", "5.27.0"
  gem "prop_check", "1.0.2"
  gem "rack-test", "2.3.0"
  gem "rubocop", "1.92.2", require: false
  gem "rubocop-minitest", "0.41.0", require: false
  gem "rubocop-sequel", "0.4.1", require: false
  gem "selenium-webdriver", "4.32.0"
  gem "syntax_tree", "6.3.0", require: false
  # read as a published source only: the IETF's schemas and RFC texts
  gem "epp-client-base", "0.15.2", require: false
  gem "epp-client-rgp", "0.15.2", require: false
  gem "epp-client-secdns", "0.15.2", require: false
end

pins = File.join(__dir__, "Gemfile.pins")
eval_gemfile pins if File.exist?(pins)
