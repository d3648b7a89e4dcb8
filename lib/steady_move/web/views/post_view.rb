# frozen_string_literal: true

module SteadyMove
  module Web
    module Views
      # A message as JSON.
      module PostView
        SHOWN = %i[uid sender subject text at kind names deadline doubtful because move_id link corrected_by].freeze

        module_function

        # row: of Store::Messages; over: ids of moves that wait for no answer any more.
        def message(row, now, over)
          asks = Core::Post::Lexicon.asks?(row[:kind], text: row[:text], answers: !row[:letter_id].nil?, at: now,
            deadline: row[:deadline], doubtful: row[:doubtful],
            over: over.include?(row[:move_id]))
          Json.value(row.slice(*SHOWN).merge(wants_answer: asks))
        end

        # Every kind of message with what it is called.
        def kinds
          Core::Post::Lexicon::IDS.map { |id| { id: id, title: Words.say("post.kinds.#{id}").sub(/\A\w/, &:upcase) } }
        end

        # Does a move's release wait for no answer any more?
        def over?(state)
          release = state.marked(:approval)
          state.ending || state.approved? || release.nil? || release.done? || state.set_going_at(release.step.id)
        end
      end
    end
  end
end
