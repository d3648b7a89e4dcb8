# frozen_string_literal: true

# Loaded first of all by commands that tests start, where branches are counted (RUBYOPT).
require_relative "branches"
Branches.start(ENV.fetch(Branches::PLACE))
at_exit { Branches.leave }
