# frozen_string_literal: true

# Every check and test, side by side. Started by bin/test.
require_relative "../test_helper"
require_relative "lanes"
%w[bench_world signed_in browser by_hand plans post_reading].each { |part| require_relative part }

# Loaded once, before the test files are forked off: else each of them would load all of it for
# itself.
Zeitwerk::Loader.eager_load_all
Mail.eager_autoload!
%w[webauthn rotp rqrcode rodauth/features/webauthn rodauth/features/otp].each do |part|
  require part
end
PublicSuffix::List.default
SteadyMove::Words.say(:"common.yes_word")

Minitest.seed = ENV["SEED"].to_i if ENV["SEED"]
lanes = Lanes.new
lanes.command(
  "torture",
  "timeout",
  "500",
  RbConfig.ruby,
  "-Ilib",
  "test/support/torture_run.rb",
  "24",
  "1"
)
lanes.command(
  "fuzz",
  "timeout",
  "300",
  RbConfig.ruby,
  "-Ilib",
  "test/support/fuzz_run.rb",
  "24000x",
  "1"
)
lanes.command("style", "bundle", "exec", RbConfig.ruby, "test/support/style.rb")
lanes.command("pages", "sh", "-c", <<~SHELL, TZ: "UTC")
  cd ui && node_modules/.bin/eslint . &&
  node_modules/.bin/prettier --config .prettierrc --check src ../test/ui &&
  node_modules/.bin/svelte-check --tsconfig ./tsconfig.json --fail-on-warnings &&
  node_modules/.bin/vitest run --test-timeout 30000
SHELL
lanes.files(
  "test/{browser,core,desk,house,practice,security,service,standards,store,web,wire}/*_test.rb"
)
failed = lanes.run
puts failed.empty? ? "All passed." : "Failed: #{failed.join(", ")}"
# Nothing was loaded here that Minitest could run at the end.
exit! failed.empty? ? 0 : 1
