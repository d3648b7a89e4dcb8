# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      # One step of a move, defined once for the plan, the runner, the forecast and the screen.
      # rail: registration or records; actor: yours, theirs or clock (the desk acts, or only time passes);
      # needs: ids that must be done before; takes: seconds [least, usual, most]; holds_in: option that must be set in the plan.
      Step = Struct.new(:id, :rail, :stage, :actor, :title, :needs, :proof, :takes, :undo, :holds_in, keyword_init: true) do
        # The sentence with the plan's words filled in ({name}, {from}, {to}, {old_host}, {new_host}).
        def titled(words) = title.gsub(/\{(\w+)\}/) { words.fetch(Regexp.last_match(1).to_sym) }
      end
    end
  end
end
