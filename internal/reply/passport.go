package reply

// PassportPath is the page that a passport's code opens.
const PassportPath = "/p/"

// QuotePath is the page on which a customer says yes to a quote.
const QuotePath = "/q/"
