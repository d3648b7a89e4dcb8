# frozen_string_literal: true

# Every check and test, side by side. Started by bin/test. quick: without browser and pages, and
# without what starts a desk, stand-ins or other servers; --coverage: without browser and pages, and
# which branches they went through.
mode = ARGV.shift
if mode == "--coverage"
  require "tmpdir"
  require_relative "branches"
  Branches.start(Dir.mktmpdir("steady-move-branches"))
end
require_relative "../test_helper"
require_relative "lanes"
%w[bench_world signed_in browser by_hand plans post_reading used_once].each do |part|
  require_relative part
end

# Loaded once, before the test files are forked off: else each of them would load all of it for
# itself.
Zeitwerk::Loader.eager_load_all
Mail.eager_autoload!
%w[webauthn rotp rqrcode rodauth/features/webauthn rodauth/features/otp].each do |part|
  require part
end
PublicSuffix::List.default
SteadyMove::Words.say(:"common.yes_word")
SteadyMove::Web::Contract.whole
SteadyMove::Desk::Portfolio::Rulebooks.load(File.join(SteadyMove::ROOT, "config", "rulebook"))
SteadyMove::Desk::People::Passwords.guessing.test("once")
Described.operations.each_value { |answers| answers.each_value { |schema| schema&.valid?({}) } }

KeptWorlds.place # for all that is forked off
UsedOnce.load
# What is old already is not looked through again by each of them.
3.times { GC.start }
Minitest.seed = ENV["SEED"].to_i if ENV["SEED"]
lanes = Lanes.new
RUBY_ONLY = "test/{core,desk,house,practice,security,standards,store,web,wire}/*_test.rb"
# Those that start something name one of these parts of support.
SERVICES =
  /
  \b(BenchWorld|ByHand|CommandLine|Dovecot|Fuzz|HeldBox|ListServer|MortalWorld|Named|Nsd|Outside
  |PostReading|ServedDesk|SignedIn|SomeBatches|Torture|WithoutConnections|popen2|spawn)\b
/x
case mode
when "quick"
  lanes.files(RUBY_ONLY) { |file| !File.read(file).match?(SERVICES) }
when "--coverage"
  Branches.beside
  lanes.files(RUBY_ONLY)
  lanes.files("test/service/*_test.rb")
else
  ruby = [RbConfig.ruby, "-Ilib"]
  lanes.command("torture", "timeout", "500", *ruby, "test/support/torture_run.rb", "9", "1")
  lanes.command("fuzz", "timeout", "300", *ruby, "test/support/fuzz_run.rb", "3000x", "1")
  lanes.command("style", "timeout", "600", "bundle", "exec", RbConfig.ruby, "test/support/style.rb")
  lanes.command("pages", "timeout", "900", "sh", "-c", <<~SHELL, TZ: "UTC")
    kept="--cache --cache-strategy content --cache-location ../tmp"
    cd ui && node_modules/.bin/eslint $kept/eslint . &&
    node_modules/.bin/prettier --config .prettierrc $kept/prettier --check src ../test/ui &&
    node_modules/.bin/svelte-check --tsconfig ./tsconfig.json --fail-on-warnings &&
    node_modules/.bin/vitest run --test-timeout 120000
  SHELL
  lanes.files(
    "test/{browser,core,desk,house,practice,security,service,standards,store,web,wire}/*_test.rb"
  )
end
failed = lanes.run
if defined?(Branches)
  puts Branches.table
  File.write(left = "tmp/branches-not-taken", "#{Branches.missed.join("\n")}\n")
  puts "Those that nobody took: #{left}"
end
puts failed.empty? ? "All passed." : "Failed: #{failed.join(", ")}"
$stdout.flush # exit! leaves unsaid what is not
FileUtils.rm_rf(KeptWorlds.place)
# Nothing was loaded here that Minitest could run at the end.
exit! failed.empty? ? 0 : 1
