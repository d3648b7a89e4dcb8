# frozen_string_literal: true

require "resolv"

# While a request is answered nothing outside may be asked: every exchange of a client goes through
# one Deadline, and that raises here where it is held by the thread of a request.
module NoWaiting
  # A request asked something outside.
  class Waited < StandardError
  end

  # Marks the thread that answers a request.
  module Marked
    def answered(operation, _answer)
      Thread.current.thread_variable_set(:answering, operation.id)
      super
    ensure
      Thread.current.thread_variable_set(:answering, nil)
    end
  end

  # Raises Waited in such a thread.
  def self.ask
    operation = Thread.current.thread_variable_get(:answering) or return
    raise Waited, "#{operation} asks the outside in the request's own thread"
  end

  # All of the clients' exchanges.
  module Watched
    def hold(...)
      NoWaiting.ask
      super
    end
  end

  # The machine's own resolver.
  module Resolved
    def getaddresses(...)
      NoWaiting.ask
      super
    end
  end
end
SteadyMove::Wire::Deadline.prepend(NoWaiting::Watched)
Resolv::DNS.prepend(NoWaiting::Resolved)
SteadyMove::Web::Api.prepend(NoWaiting::Marked)
