# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      # One step of a move, defined once for the plan, the runner, the forecast and the screen.
      # rail: registration or records; actor: yours, theirs or clock (the desk acts, or only time passes); needs: ids that must be done before;
      # takes: seconds [least, usual, most]; holds_in: option that must be set in the plan; act: of Ways, where a registrar's habit
      # decides how it is done; way: the plan's; hand: what a person does where the desk can't; letter: what a letter asks for (Letters);
      # early: begins without waiting for what its left-out needs would wait for; place: losing, gaining or service, where it is done by hand.
      Step = Struct.new(:id, :rail, :stage, :actor, :title, :needs, :proof, :takes, :undo, :holds_in, :act, :way, :hand, :letter, :place, :early, keyword_init: true) do
        # Does a person do it, or write for it, and the desk only proves it?
        def by_hand? = !hand.nil? && way != "connection"
        def by_letter? = by_hand? && way == "letter"

        # A text with the plan's words filled in ({name}, {from}, {to}, {old_host}, {new_host}, {service}, {contact}, …).
        def self.filled(text, words) = text&.gsub(/\{(\w+)\}/) { words[Regexp.last_match(1).to_sym] || "?" }
        def titled(words) = Step.filled(title, words)
      end
    end
  end
end
