# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      # Steps that a person does at a registrar's own pages, or writes for. The desk never takes
      # anybody's word for them: it looks from outside, and says when it looks next. “I have done
      # it” only starts the looking.
      module ByHand
        # Before anybody said that it is done, it is looked at anyway; a thing that somebody did
        # unasked is found.
        UNASKED = 6 * 3600
        # What support wrote back (Core::Post::Answers) => the sentence on it.
        ANSWERED = { "wants" => "by_hand.wants", "refused" => "by_hand.refused" }.freeze

        module_function

        # act: of a step that is done by hand. Returns an Outcome.
        def call(act)
          seen = act.public_send(act.step.proof)
          if seen.done
            return act.done(seen.says, source: seen.source, ref: seen.ref, **seen.data.to_h)
          end

          begun = act.state.begun_at(act.step.id)
          begun ? looking(act, seen, begun) : asking(act, seen)
        end

        # Somebody has to act; the sentence says where.
        def asking(act, seen)
          refused = act.state.last_of(act.step.id)
          if refused&.data&.key?("refused")
            return(
              act.problem(
                refused.phrase,
                source: seen.source,
                yours: true,
                look_at: act.now + UNASKED,
                refused: refused.data["refused"]
              )
            )
          end

          key = act.step.by_letter? ? "by_hand.write_to" : "by_hand.do_at"
          shows = Words.phrase("by_hand.seen_in.#{Array(seen.source).first}")
          act.wait(
            act.sentence(key, place: place(act), shows: shows),
            source: seen.source,
            ref: seen.ref,
            look_at: act.now + UNASKED,
            **seen.data.to_h
          )
        end

        # It is said to be done, or written for: looked for until it is late, or support wrote back.
        def looking(act, seen, begun)
          return answered(act, seen) if ANSWERED.key?(answer(act))

          takes = act.step.takes
          late_at = begun + takes.last
          way = act.step.by_letter? ? "written" : "said"
          values = { begun: begun, not_yet: seen.not_yet, place: place(act), **spans(takes) }
          return late(act, seen, "by_hand.late_#{way}", values) if act.now >= late_at

          act.wait(
            act.sentence("by_hand.waiting_#{way}", **values),
            source: seen.source,
            ref: seen.ref,
            look_at: next_look(begun, takes, act.now, late_at),
            **seen.data.to_h
          )
        end

        def spans(takes) = { usual: Words.span(takes[1]), most: Words.span(takes[2]) }
        def answer(act) = act.state.last_of(act.step.id)&.data.to_h["answer"]

        # It is a person's turn, until what was asked for shows, or they write again.
        def answered(act, seen)
          last = act.state.last_of(act.step.id)
          at = last.data["answered_at"] || last.at
          act.problem(
            act.sentence(ANSWERED.fetch(answer(act)), place: place(act), at: at),
            source: seen.source,
            yours: true,
            look_at: act.now + UNASKED,
            answer: answer(act),
            answered_at: at
          )
        end

        def late(act, seen, key, values)
          act.problem(
            act.sentence(key, **values),
            source: seen.source,
            yours: true,
            look_at: act.now + 1800
          )
        end

        # First when it usually shows, then every third of that, but at most every five minutes and
        # no later than when it is late.
        def next_look(begun, takes, now, late_at)
          usual = begun + takes[1]
          [usual > now ? usual : now + [takes[1] / 3, 300].max, late_at].min
        end

        def place(act)
          {
            "gaining" => act.gaining&.title,
            "service" => act.job.words[:keeper],
            "old_host" => act.job.words[:old_host],
            "new_host" => act.job.words[:new_host]
          }.fetch(act.step.place) { act.losing.title }
        end
        private_class_method :asking, :looking, :spans, :answer, :answered, :late
      end
    end
  end
end
